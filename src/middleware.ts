import { defineMiddleware } from 'astro:middleware';
import { problem } from './server/problem';

/** Names this server answers to: loopback, and those the person named. Others may be another site pointing here. */
const hosts = new Set(
  ['127.0.0.1', 'localhost', '[::1]', ...(process.env['DIVIDE_HOSTS'] ?? '').split(',')]
    .map((h) => h.trim())
    .filter(Boolean),
);

const headers = {
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
};

export const onRequest = defineMiddleware(async ({ request, url }, next) => {
  const host = request.headers.get('host') ?? '';
  if (!hosts.has(host.replace(/:\d+$/, '')))
    return problem(
      421,
      'Not this host',
      `Divide does not answer to ${host || 'a request without a host'}. Name it in DIVIDE_HOSTS if it should.`,
    );
  const origin = request.headers.get('origin');
  if (origin !== null && origin !== `${url.protocol}//${host}`)
    return problem(403, 'Foreign origin', 'Divide takes requests from its own pages only.');
  const response = await next();
  for (const [name, value] of Object.entries(headers)) response.headers.set(name, value);
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
  return response;
});
