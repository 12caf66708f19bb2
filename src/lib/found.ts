/** A place to go, under the group it belongs to. */
export interface Found {
	group: string;
	text: string;
	href: string;
}
