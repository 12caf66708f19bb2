/** What is done in a worker, each loaded only there; whoever asks for it names the type of what answers. */
export const TASKS = {
	'restore an archive': async () => (await import('../archive/restoring.ts')).restoring,
	'write an archive': async () => (await import('../archive/writing.ts')).writing,
	'read a file': async () => (await import('./reading-files.ts')).readingFiles,
	'draw labels': async () => (await import('../print/drawing-labels.ts')).drawingLabels
};
