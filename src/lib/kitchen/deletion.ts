/** Rows of one table that went with a kitchen, and how many were found when it was looked again. */
export interface Went {
	table: string;
	rows: number;
	left: number;
}

/** That a kitchen was taken away with everything of it. Times are UTC. */
export interface Deletion {
	id: string;
	name: string;
	byName: string;
	begunAt: string;
	deletedAt: string;
	went: Went[];
}
