import { register } from 'tsx/esm/api';

/** @type {(() => Promise<void>) | undefined} */
let end;

export function beginTranslation() {
	end = register();
}

export async function endTranslation() {
	await end?.();
	end = undefined;
}
