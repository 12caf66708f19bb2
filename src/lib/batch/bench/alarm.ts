const RUNG = 'square-batch:rung:';

/** Asks to be allowed to notify; only on a person's own press, or browsers refuse for good. */
export function askToNotify(): void {
	if (typeof Notification !== 'undefined' && Notification.permission === 'default')
		void Notification.requestPermission();
}

/**
 * Sounds for a step that is due, once on this device: two soft notes, and a notification where it was
 * allowed. False where it rang before.
 */
export function ring(key: string, title: string, words: string): boolean {
	if (localStorage.getItem(RUNG + key)) return false;
	localStorage.setItem(RUNG + key, new Date().toISOString());
	sound();
	if (typeof Notification !== 'undefined' && Notification.permission === 'granted')
		new Notification(title, { body: words, tag: key });
	return true;
}

const NOTES_HZ = [523, 659];
const NOTE_S = 0.35;
const VOLUME = 0.08;

function sound(): void {
	try {
		const context = new AudioContext();
		NOTES_HZ.forEach((frequency, index) => {
			const [tone, gain] = [context.createOscillator(), context.createGain()];
			const from = context.currentTime + index * NOTE_S;
			tone.frequency.value = frequency;
			gain.gain.setValueAtTime(0, from);
			gain.gain.linearRampToValueAtTime(VOLUME, from + 0.05);
			gain.gain.linearRampToValueAtTime(0, from + NOTE_S);
			tone.connect(gain).connect(context.destination);
			tone.start(from);
			tone.stop(from + NOTE_S);
		});
	} catch {
		// No sound here: what is due is on the screen too.
	}
}
