import type { AstroCookies } from 'astro';
import { defineMiddleware } from 'astro:middleware';
import { foldsCookie } from './core/study/folds';
import { nameHeader } from './server/door/door';
import { windowHeader } from './core/study/change';
import { announce } from './server/changes';
import { db } from './server/db';
import { drawnOnce } from './server/drawn-pages';
import { problem } from './server/problem';
import { knownAs } from './server/who';

const headers = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};

/** The methods of each endpoint, by its path in the pages. */
const endpoints = import.meta.glob('./pages/api/**/*.ts');

async function methodsOf(pattern: string): Promise<string[]> {
  const load = endpoints[`./pages${pattern}.ts`] ?? endpoints[`./pages${pattern}/index.ts`];
  const found = Object.keys((await load?.()) ?? {}).filter((name) => /^[A-Z]+$/.test(name));
  return found.includes('GET') ? [...found, 'HEAD'] : found;
}

/** Refuses a method that an address does not have. */
async function wrongMethod(method: string, pattern: string): Promise<Response | undefined> {
  const allowed = pattern.startsWith('/api/') ? await methodsOf(pattern) : ['GET', 'HEAD'];
  if (allowed.length === 0 || allowed.includes(method)) return undefined;
  const refused = problem(405, 'Not this way', `${method} does nothing at this address; ${allowed.join(', ')} would.`);
  refused.headers.set('allow', allowed.join(', '));
  return refused;
}

/** What a browser keeps that pages are drawn by. */
const keptOf = (cookies: AstroCookies): string =>
  ['theme', foldsCookie].map((name) => cookies.get(name)?.value ?? '').join(' ');

/** What every page and endpoint has in common; hosts, foreign pages and keys were looked at before, by the door. */
export const onRequest = defineMiddleware(async ({ request, url, routePattern, cookies }, next) => {
  const name = request.headers.get(nameHeader);
  const response =
    (await wrongMethod(request.method, routePattern)) ??
    (await knownAs(name === null ? undefined : decodeURIComponent(name), () =>
      request.method === 'GET' && /^\/(studies\/|$)/.test(url.pathname)
        ? drawnOnce(db(), url.pathname, `${url.search} ${keptOf(cookies)}`, () => next())
        : next(),
    ));
  if (response.ok && url.pathname.startsWith('/api/') && !['GET', 'HEAD'].includes(request.method))
    announce({
      method: request.method,
      path: url.pathname,
      window: request.headers.get(windowHeader) ?? '',
      by: name === null ? '' : decodeURIComponent(name),
    });
  for (const [key, value] of Object.entries(headers)) response.headers.set(key, value);
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
  return response;
});
