/** The page that asks for the key and for a name: it stands before everything else, so it needs nothing else. */
import type { ServerResponse } from 'node:http';

const escaped = (raw: string): string =>
  raw.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

const style = `:root{color-scheme:light dark}body{margin:0;font:17px/1.5 Georgia,'Times New Roman',serif;background:#fafaf4;color:#1d1f1c}
main{max-width:27rem;margin:18vh auto 0;padding:0 1.25rem}h1{font-size:1.6rem;font-weight:400;margin:0 0 .25rem}p{margin:0 0 1.5rem;color:#5a5d55}
label{display:block;margin:1rem 0 .25rem}input{width:100%;box-sizing:border-box;font:inherit;padding:.4rem .5rem;border:1px solid #8b8f83;border-radius:2px;background:#fff;color:inherit}
button{margin-top:1.5rem;font:inherit;padding:.4rem 1.2rem;border:1px solid #1f5c3a;border-radius:2px;background:#1f5c3a;color:#fff;cursor:pointer}[role=alert]{color:#9c2b1b}
@media (prefers-color-scheme:dark){body{background:#191b18;color:#e8e9e2}p{color:#a5a99c}input{background:#22251f;border-color:#7c8075}[role=alert]{color:#ef9a8a}}`;

/** Asks for what is still missing. @param to the page that was meant */
export function asksForKey(
  response: ServerResponse,
  {
    status,
    needsKey,
    name,
    to,
    trouble,
  }: { status: number; needsKey: boolean; name: string; to: string; trouble: string },
): void {
  response.writeHead(status, {
    'content-type': 'text/html; charset=utf-8',
    'content-security-policy':
      "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
    'cache-control': 'no-store',
    'referrer-policy': 'no-referrer',
    'x-content-type-options': 'nosniff',
  });
  response.end(`<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Divide</title><style>${style}</style></head>
<body><main><h1>${needsKey ? 'These studies are under a key' : 'Who is working here?'}</h1>
<p>${needsKey ? 'It was printed where Divide was started. ' : ''}Your name stands in the log beside what you do.</p>
${trouble ? `<p role="alert">${escaped(trouble)}</p>` : ''}
<form method="post" action="/key"><input type="hidden" name="to" value="${escaped(to)}">
${needsKey ? '<label for="key">Key</label><input id="key" name="key" type="password" autocomplete="current-password" required autofocus>' : ''}
<label for="name">Your name</label><input id="name" name="name" value="${escaped(name)}" maxlength="80" autocomplete="name" required${needsKey ? '' : ' autofocus'}>
<button>Go in</button></form></main></body></html>`);
}
