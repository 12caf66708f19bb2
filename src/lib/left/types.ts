/** Whose queue of a device: readings and steps of the bench, or sales of the till. */
export type QueueName = 'bench' | 'till';

/** An entry that a device could not hand in as who made it, as it waits for the owner. */
export interface LeftEntry {
	id: string;
	/** Who made it. */
	by: string;
	device: string | null;
	queue: QueueName;
	/** What it is, in words. */
	what: string;
	madeAt: string;
	/** Why the device could not hand it in. */
	message: string;
}

/** What becomes of entries that somebody else left waiting on this device. */
export interface Whose {
	id: string;
	name: string;
	/** Whether they can still hand them in themselves, once they are in. */
	canSend: boolean;
}
