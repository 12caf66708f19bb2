/** A passkey as its person sees it. */
export interface MyPasskey {
	id: string;
	name: string;
	createdAt: string;
	lastUsedAt: string | null;
}
