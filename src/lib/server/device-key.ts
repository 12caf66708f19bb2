/** By what the printer and the scales on the network know the application: they answer nobody else. */
export const deviceKey = (): Record<string, string> =>
	process.env.DEVICE_KEY ? { authorization: `Bearer ${process.env.DEVICE_KEY}` } : {};
