/** What something that was thrown says. */
export const said = (error: unknown): string => (error instanceof Error ? error.message : String(error));
