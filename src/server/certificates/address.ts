/** Where the school is reached from outside, as whoever set it up has said; null: it goes by whatever name a browser uses. */
export const ownAddress = (): string | null => process.env.APP_ORIGIN?.replace(/\/$/, '') ?? null;
