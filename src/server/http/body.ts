import { isOwnOrigin } from './origin';
import { Refusal } from './problem';

/** The largest body taken, in bytes: a roll of 2,000 students is about 300 kB. */
export const LARGEST_BODY = 1_000_000;

/** Reads a JSON body of one of our own pages; refuses what is foreign, too large or not JSON. */
export async function readJson(request: Request, largest = LARGEST_BODY): Promise<unknown> {
  if (!isOwnOrigin(request)) throw new Refusal(403, 'This request did not come from a page of this school.');
  if (!/^application\/json\b/.test(request.headers.get('content-type') ?? '')) throw new Refusal(415, 'Send JSON.');
  if (Number(request.headers.get('content-length') ?? 0) > largest) throw tooLarge();
  const reader = request.body?.getReader();
  if (!reader) throw new Refusal(400, 'Nothing was sent.');
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > largest) {
      await reader.cancel();
      throw tooLarge();
    }
    parts.push(value);
  }
  try {
    return JSON.parse(Buffer.concat(parts).toString('utf8')) as unknown;
  } catch {
    throw new Refusal(400, 'What was sent is not JSON.');
  }
}

const tooLarge = () => new Refusal(413, 'This is too large to take at once. Send it in parts.');
