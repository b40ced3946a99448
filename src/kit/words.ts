/** Given names stand first in the scripts this is used for. */
export const firstName = (name: string): string => name.split(' ')[0] ?? name;
