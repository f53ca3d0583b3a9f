/** A new id, with a word that says of what. */
export const newId = (kind: string): string => `${kind}-${crypto.randomUUID()}`;
export const nowIso = (): string => new Date().toISOString();
