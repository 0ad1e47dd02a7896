/** A document for component tests, there from before React is loaded; put away again so that no other test sees it. */
import { Window } from 'happy-dom';

const window = new Window({ url: 'http://127.0.0.1/' });
// Formulas are set in standards mode alone, and this document does not say that it is in it.
Object.defineProperty(window.document, 'compatMode', { value: 'CSS1Compat' });
const names = [
  'window',
  'document',
  'navigator',
  'Element',
  'HTMLElement',
  'HTMLInputElement',
  'Node',
  'NodeFilter',
  'HTMLButtonElement',
  'MutationObserver',
  'ResizeObserver',
  'getComputedStyle',
  'requestAnimationFrame',
  'cancelAnimationFrame',
] as const;
const before = names.map((name) => [name, Object.getOwnPropertyDescriptor(globalThis, name)] as const);

/** What stands in for a frame of the screen: functions of the window know whose they are. */
const frames = {
  requestAnimationFrame: (run: () => void) => window.requestAnimationFrame(run),
  cancelAnimationFrame: (id: ReturnType<typeof window.requestAnimationFrame>) => window.cancelAnimationFrame(id),
};

export function openDocument(): void {
  for (const name of names)
    Object.defineProperty(globalThis, name, {
      value:
        name === 'window'
          ? window
          : name in frames
            ? frames[name as keyof typeof frames]
            : (window as unknown as Record<string, unknown>)[name],
      configurable: true,
      writable: true,
    });
  Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });
}

export function closeDocument(): void {
  for (const [name, descriptor] of before)
    if (descriptor) Object.defineProperty(globalThis, name, descriptor);
    else Reflect.deleteProperty(globalThis, name);
  Reflect.deleteProperty(globalThis, 'IS_REACT_ACT_ENVIRONMENT');
}

openDocument();
