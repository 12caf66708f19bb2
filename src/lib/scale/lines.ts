/** Takes bytes of text as they come and gives the lines that ended; what has not ended waits for more. */
export function lineSplitter(): (bytes: Uint8Array) => string[] {
	const decoder = new TextDecoder();
	let rest = '';
	return (bytes) => {
		const parts = (rest + decoder.decode(bytes, { stream: true })).split(/\r\n|\n|\r/);
		rest = parts.pop() ?? '';
		return parts.filter((part) => part.trim() !== '');
	};
}
