import { lineSplitter } from './lines.ts';
import type { Scale } from './scale.ts';

/** What of the browser's serial ports is used here; not every browser has them. */
interface SerialPort {
	readonly readable: ReadableStream<Uint8Array> | null;
	open(options: { baudRate: number }): Promise<void>;
	close(): Promise<void>;
}
interface SerialPorts {
	requestPort(): Promise<SerialPort>;
}

const portsOf = (): SerialPorts | undefined => (navigator as { serial?: SerialPorts }).serial;

/** Whether this browser can read a serial port. */
export const hasSerial = (): boolean => portsOf() !== undefined;

export const BAUD_RATES = [1200, 2400, 4800, 9600, 19200, 38400, 57600, 115200] as const;

/** A scale at a serial port of this device; opening it asks the person which one. */
export function serialScale(baudRate: number): Scale {
	return {
		title: 'at a serial port of this device',
		open: async ({ line, connected }) => {
			const ports = portsOf();
			if (!ports) throw new Error('this browser cannot read serial ports');
			const port = await ports.requestPort();
			await port.open({ baudRate });
			const reader = port.readable?.getReader();
			if (!reader) throw new Error('nothing can be read from this port');
			connected(true);
			void (async () => {
				const split = lineSplitter();
				try {
					for (;;) {
						const { value, done } = await reader.read();
						if (done) break;
						for (const text of split(value)) line(text);
					}
				} catch {
					// Unplugged.
				}
				connected(false);
			})();
			return async () => {
				await reader.cancel().catch(() => undefined);
				reader.releaseLock();
				await port.close().catch(() => undefined);
			};
		}
	};
}
