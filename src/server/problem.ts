import * as v from 'valibot';
import { DomainError } from '../core/numeric/domain-error';
import { Conflict, Gone, NotFound, NotKept } from '../store/errors';

/** A request that cannot be carried out, as RFC 9457 problem details. */
export function problem(status: number, title: string, detail: string, more: Record<string, unknown> = {}): Response {
  return new Response(JSON.stringify({ type: 'about:blank', title, status, detail, ...more }), {
    status,
    headers: { 'content-type': 'application/problem+json; charset=utf-8' },
  });
}

/** Where in the request a value is wrong, and why. */
class Invalid extends Error {
  constructor(readonly issues: { path: string; message: string }[]) {
    super('invalid');
  }
}

/** Most that a request's body may hold: a pasted block of 100,000 rows fits, a film does not. */
const bodyLimit = 32 * 1024 * 1024;

class TooLarge extends Error {
  constructor(readonly limit: number) {
    super('too large');
  }
}

/** The request's body as it came. @param limit most bytes it may hold */
export async function bytes(request: Request, limit = bodyLimit): Promise<Uint8Array> {
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw new TooLarge(limit);
  const parts: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > limit) {
      await reader.cancel();
      throw new TooLarge(limit);
    }
    parts.push(value);
  }
  return Buffer.concat(parts);
}

/** A body's bytes as JSON of this schema. */
export function parsed<S extends v.GenericSchema>(raw: Uint8Array, schema: S): v.InferOutput<S> {
  let json: unknown;
  try {
    json = JSON.parse(Buffer.from(raw).toString('utf8'));
  } catch {
    throw new Invalid([{ path: '', message: 'The body is not JSON.' }]);
  }
  return checked(json, schema);
}

/** A value as this schema has it. */
export function checked<S extends v.GenericSchema>(given: unknown, schema: S): v.InferOutput<S> {
  const result = v.safeParse(schema, given);
  if (!result.success)
    throw new Invalid(
      result.issues.map((issue) => ({ path: v.getDotPath(issue) ?? '', message: issue.message })).slice(0, 20),
    );
  return result.output;
}

/** The request's body as JSON of this schema. @param limit most bytes it may hold */
export const body = async <S extends v.GenericSchema>(
  request: Request,
  schema: S,
  limit = bodyLimit,
): Promise<v.InferOutput<S>> => parsed(await bytes(request, limit), schema);

/** Answers with JSON. */
export const json = (value: unknown, status = 200): Response =>
  new Response(JSON.stringify(value), { status, headers: { 'content-type': 'application/json; charset=utf-8' } });

const outsideReasons: [RegExp, string][] = [
  [
    /^SQLITE_FULL/,
    'The disk is full: nothing was written. Make room on it; what you typed is kept here and tried again.',
  ],
  [
    /^SQLITE_READONLY|^SQLITE_PERM|^SQLITE_CANTOPEN|^EROFS|^EACCES/,
    'The database can only be read: nothing was written. Let Divide write to its folder; what you typed is kept here and tried again.',
  ],
  [
    /^SQLITE_BUSY|^SQLITE_LOCKED/,
    'Another program holds the database: nothing was written. Close it; what you typed is kept here and tried again.',
  ],
  [
    /^SQLITE_(CORRUPT|NOTADB)/,
    'The database file is damaged: nothing was written. Copy what you typed, and bring back a backup.',
  ],
  [
    /^SQLITE_IOERR|^EIO/,
    'The disk could not be written: nothing was kept. Look at the disk; what you typed is kept here and tried again.',
  ],
];

/** Why the disk or the file kept something from being written, in words; undefined where it was not that. */
function whyNotWritten(error: unknown): string | undefined {
  const code = (error as { code?: unknown } | undefined)?.code;
  return typeof code === 'string' ? outsideReasons.find(([like]) => like.test(code))?.[1] : undefined;
}

/** Runs an endpoint; what it throws becomes a problem in words. */
export async function answering(run: () => Promise<Response> | Response): Promise<Response> {
  try {
    return await run();
  } catch (error) {
    if (error instanceof Invalid) {
      const [first] = error.issues;
      const place = first?.path ? `${first.path}: ` : '';
      return problem(422, 'Not understood', `${place}${first?.message ?? 'The request was not understood.'}`, {
        issues: error.issues,
      });
    }
    if (error instanceof TooLarge)
      return problem(
        413,
        'Too large',
        `One request may hold ${error.limit / 1024 / 1024} MiB: send it in smaller parts.`,
      );
    if (error instanceof Gone) return problem(410, 'Removed', error.message);
    if (error instanceof NotFound) return problem(404, 'Not found', error.message);
    if (error instanceof Conflict)
      return problem(409, 'Changed elsewhere', error.message, { revision: error.revision });
    if (error instanceof DomainError) return problem(422, 'Not possible', error.message);
    const outside = error instanceof NotKept ? error.message : whyNotWritten(error);
    if (outside) return problem(507, 'Not kept', outside);
    console.error(error);
    return problem(500, 'A fault of ours', 'This could not be done because of a fault in Divide. Nothing was written.');
  }
}
