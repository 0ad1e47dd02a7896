import type { ClientDirective } from 'astro';

declare module 'astro' {
  interface AstroClientDirectives {
    'client:painted'?: boolean;
  }
}

/**
 * Takes over what the server drew once it has been painted: the answer is in sight before the page's own scripts have
 * their turn. They are fetched meanwhile. A page nobody looks at is painted by nobody, and waits for nothing.
 */
const whenPainted: ClientDirective = (load, _options, island) => {
  for (const script of ['renderer-url', 'component-url']) {
    const href = island.getAttribute(script);
    if (href) document.head.append(Object.assign(document.createElement('link'), { rel: 'modulepreload', href }));
  }
  const takeOver = async (): Promise<void> => (await load())();
  if (document.hidden) void takeOver();
  else requestAnimationFrame(() => setTimeout(() => void takeOver()));
};
export default whenPainted;
