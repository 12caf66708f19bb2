/** Debian's Chromium, and the switches it needs to run as root, without a screen and without a network. */
export const CHROMIUM_PATH = '/usr/bin/chromium';

export const CHROMIUM_ARGS = [
	'--no-sandbox',
	'--disable-gpu',
	'--disable-quic',
	'--no-first-run',
	'--disable-background-networking',
	'--disable-component-update',
	'--disable-sync'
];
