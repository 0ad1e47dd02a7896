/** What every request passes before anything else is done with it: pages, files and endpoints alike. */
import { createHash, timingSafeEqual } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { asksForKey } from './asks-for-key';

export type Handler = (request: IncomingMessage, response: ServerResponse) => void;

export interface DoorOptions {
  /** Host names this server answers to; others may be another site that points here. */
  hosts: readonly string[];
  /** What one must know to be let in; everyone is where there is none. */
  key?: string | undefined;
}

/** The header by which the rest of the server learns the name a person gave; never taken from outside. */
export const nameHeader = 'x-divide-name';

const day = 24 * 60 * 60;
/** Milliseconds added to the answer to each wrong key from one address, and the most. */
const slower = { step: 500, most: 8000 };

/** A key as it is kept in a cookie. */
const sealed = (key: string): string => createHash('sha256').update(`divide ${key}`).digest('hex');

const same = (a: string, b: string): boolean => {
  const [x, y] = [a, b].map((text) => createHash('sha256').update(text).digest());
  return x !== undefined && y !== undefined && timingSafeEqual(x, y);
};

const cookiesOf = ({ headers }: IncomingMessage): Map<string, string> =>
  new Map(
    (headers.cookie ?? '').split(';').map((part): [string, string] => {
      const [name = '', ...value] = part.trim().split('=');
      return [name, value.join('=')];
    }),
  );

const cookie = (name: string, value: string): string =>
  `${name}=${value}; Path=/; Max-Age=${90 * day}; HttpOnly; SameSite=Strict`;

/** A name as it may stand in the log: printed characters only, not too many. */
const cleanName = (raw: string): string =>
  raw
    .normalize('NFC')
    .replace(/[\p{C}\p{Z}]+/gu, ' ')
    .trim()
    .slice(0, 80);

function decodedName(raw: string | undefined): string {
  try {
    return cleanName(decodeURIComponent(raw ?? ''));
  } catch {
    return '';
  }
}

/** Refuses a request as RFC 9457 problem details. */
function refuse(response: ServerResponse, status: number, title: string, detail: string): void {
  response.writeHead(status, {
    'content-type': 'application/problem+json; charset=utf-8',
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  });
  response.end(JSON.stringify({ type: 'about:blank', title, status, detail }));
}

/** The fields of a small form, refused when it is no small form. */
async function formOf(request: IncomingMessage): Promise<URLSearchParams> {
  let text = '';
  for await (const part of request) {
    text += String(part);
    if (text.length > 4000) break;
  }
  return new URLSearchParams(text.slice(0, 4000));
}

/**
 * Lets in what comes from this server's own pages under its own name, and, where there is a key, from those who have shown
 * it; the rest is refused in words before any of it is read.
 */
export function door(inner: Handler, { hosts, key }: DoorOptions): Handler {
  const known = new Set(hosts);
  /** Wrong keys by address, and when the last of them was. */
  const wrong = new Map<string, { count: number; at: number }>();

  /** Slows down whoever guesses. */
  async function isWrong(request: IncomingMessage): Promise<void> {
    const from = request.socket.remoteAddress ?? '';
    const before = wrong.get(from);
    const count = (before && Date.now() - before.at < day * 1000 ? before.count : 0) + 1;
    if (wrong.size > 10_000) wrong.clear();
    wrong.set(from, { count, at: Date.now() });
    await new Promise((resolve) => setTimeout(resolve, Math.min(slower.most, slower.step * count)));
  }

  /** Takes a key and a name that were given, by address or by form, and leads on to the page that was meant. */
  async function takeKey(request: IncomingMessage, response: ServerResponse, given: URLSearchParams, to: string) {
    if (key === undefined) return;
    const name = cleanName(given.get('name') ?? '');
    const shown = given.get('key');
    if (shown !== null && !same(shown, key)) {
      await isWrong(request);
      asksForKey(response, {
        status: 401,
        needsKey: true,
        name,
        to,
        trouble: 'That is not the key.',
      });
      return;
    }
    const hasKey = shown !== null || same(cookiesOf(request).get('divide_key') ?? '', sealed(key));
    if (!hasKey || name === '') {
      if (shown !== null) response.setHeader('set-cookie', cookie('divide_key', sealed(key)));
      asksForKey(response, { status: hasKey ? 200 : 401, needsKey: !hasKey, name, to, trouble: '' });
      return;
    }
    const kept = [
      ...(shown === null ? [] : [cookie('divide_key', sealed(key))]),
      cookie('divide_name', encodeURIComponent(name)),
    ];
    // Only a path of this server: a key must not lead elsewhere.
    response.writeHead(303, {
      location: /^\/(?![/\\])/.test(to) ? to : '/',
      'set-cookie': kept,
      'cache-control': 'no-store',
    });
    response.end();
  }

  return (request, response) => {
    const { headers, method = 'GET', url = '/' } = request;
    const host = headers.host ?? '';
    Reflect.deleteProperty(headers, nameHeader);
    if (!known.has(host.replace(/:\d+$/, ''))) {
      refuse(
        response,
        421,
        'Not this host',
        `Divide does not answer to ${host || 'a request without a host'}. Name it in DIVIDE_HOSTS if it should.`,
      );
      return;
    }
    if (headers['sec-fetch-site'] === 'cross-site') {
      refuse(
        response,
        403,
        'Foreign page',
        'Another site asked for this. Type the address into the address bar to open Divide.',
      );
      return;
    }
    if (headers.origin !== undefined && !isOrigin(headers.origin, host)) {
      refuse(response, 403, 'Foreign origin', 'Divide takes requests from its own pages only.');
      return;
    }
    const path = url.split('?')[0] ?? '';
    // Astro brings an endpoint that changes pictures; there are none, and any page could keep it busy.
    if (/^\/_image(\/|$)/.test(decodeURIComponentSafely(path))) {
      refuse(response, 404, 'Not found', 'There is nothing at this address.');
      return;
    }
    if (key === undefined) {
      inner(request, response);
      return;
    }
    const cookies = cookiesOf(request);
    const name = decodedName(cookies.get('divide_name'));
    const query = new URL(url, 'http://localhost').searchParams;
    if (method === 'POST' && path === '/key') {
      formOf(request)
        .then((form) => takeKey(request, response, form, form.get('to') ?? '/'))
        // A request that breaks off leaves nobody to answer.
        .catch(() => response.destroy());
      return;
    }
    if (method === 'GET' && query.has('key')) {
      const given = new URLSearchParams({ key: query.get('key') ?? '', name });
      takeKey(request, response, given, path).catch(() => response.destroy());
      return;
    }
    if (!same(cookies.get('divide_key') ?? '', sealed(key)) || name === '') {
      if (method === 'GET' && !path.startsWith('/api/')) {
        takeKey(request, response, new URLSearchParams(), path).catch(() => response.destroy());
        return;
      }
      refuse(
        response,
        401,
        'Not let in',
        'Open Divide by the address that was printed where it was started, and give your name.',
      );
      return;
    }
    headers[nameHeader] = encodeURIComponent(name);
    inner(request, response);
  };
}

/** Whether a page of this host asks; by TLS or not, for what holds the certificate passes requests on without. */
const isOrigin = (origin: string, host: string): boolean => origin === `http://${host}` || origin === `https://${host}`;

function decodeURIComponentSafely(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}
