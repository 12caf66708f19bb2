/** Whether a shared device waits for somebody's short code. */
class Locking {
	isLocked = $state(false);
	now(): void {
		this.isLocked = true;
	}
	open(): void {
		this.isLocked = false;
	}
}

export const lock = new Locking();
