import type { Role } from '../../people/roles.ts';

/** Who can come in at a shared device. */
export interface AtDevice {
	kitchen: string;
	device: string;
	people: { id: string; name: string; role: Role }[];
}
