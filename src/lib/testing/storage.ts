/** The browser's storage as far as what is kept in it goes: its keys are its own properties. */
export class StorageStandIn {
	[key: string]: unknown;
	getItem = (key: string): string | null => (this[key] as string | undefined) ?? null;
	setItem = (key: string, value: string): void => void (this[key] = value);
	removeItem = (key: string): void => void Reflect.deleteProperty(this, key);
}
