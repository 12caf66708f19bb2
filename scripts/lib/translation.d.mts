/** From now on TypeScript is translated as it is loaded. */
export function beginTranslation(): void;

/**
 * From now on what is loaded is taken as it is, and errors are not looked up in its sources: what is built needs neither, and
 * holds 200 MB less without.
 */
export function endTranslation(): Promise<void>;
