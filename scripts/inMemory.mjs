import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

const TYPES = { js: 'text/javascript', css: 'text/css' };

/**
 * Scripts and styles of a build, read once: a few megabytes, of which every new device asks for a hundred files. Opened and
 * piped one by one they took the server a third of its time. Their names change with what is in them, so they may be kept
 * for ever. Answers what asks for one of them, squeezed as it may be, and says whether it did; the rest is for others.
 *
 * @param {string} folder where the build has put them
 * @param {(file: string) => Record<string, string>} headersOf what every file is sent with
 */
export function inMemory(folder, headersOf) {
  /** @type {Map<string, { type: string; as: Record<string, Buffer> }>} */
  const files = new Map();
  for (const name of readdirSync(folder)) {
    const found = /^(?<plain>.+\.(?<kind>js|css))(?:\.(?<coded>br|gz))?$/.exec(name)?.groups;
    if (!found) continue;
    const url = `/_astro/${found.plain}`;
    const file = files.get(url) ?? { type: TYPES[found.kind], as: {} };
    file.as[found.coded ?? 'plain'] = readFileSync(path.join(folder, name));
    files.set(url, file);
  }
  /** @param {import('node:http').IncomingMessage} req @param {import('node:http').ServerResponse} res */
  return (req, res) => {
    const file = files.get(req.url ?? '');
    if (!file || (req.method !== 'GET' && req.method !== 'HEAD')) return false;
    const takes = String(req.headers['accept-encoding'] ?? '');
    const coded = [
      ['br', /\bbr\b/],
      ['gz', /\bgzip\b/],
    ].find(([as, word]) => file.as[as] && word.test(takes))?.[0];
    const body = file.as[coded ?? 'plain'];
    res.writeHead(200, {
      ...headersOf(req.url),
      'content-type': file.type,
      'content-length': body.length,
      vary: 'accept-encoding',
      ...(coded ? { 'content-encoding': coded === 'gz' ? 'gzip' : coded } : {}),
    });
    res.end(req.method === 'HEAD' ? undefined : body);
    return true;
  };
}
