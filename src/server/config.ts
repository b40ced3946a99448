import * as v from 'valibot';

const text = (what: string) =>
  v.pipe(v.string(`${what} is missing: start with npm start or npm run demo.`), v.nonEmpty());

const shape = v.object({
  APP_DATABASE_URL: text('APP_DATABASE_URL'),
  AUTH_DATABASE_URL: text('AUTH_DATABASE_URL'),
  SESSION_SECRET: v.pipe(text('SESSION_SECRET'), v.minLength(20, 'SESSION_SECRET is too short.')),
  /** Where the school reaches the server from outside, if behind another one; otherwise the host the browser names. */
  APP_ORIGIN: v.optional(v.pipe(v.string(), v.url('APP_ORIGIN is no address.'))),
});

/** The settings of this process, read once. Throws with the setting's name if one is missing. */
export const config = v.parse(shape, process.env);
