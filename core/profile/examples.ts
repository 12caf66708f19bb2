import { BLANK_PROFILE, type LocalProfile } from './profile.ts';

/** Made-up profiles to begin from: no law of any place, and to be replaced by what one's own authority says. */
export const EXAMPLE_PROFILES: readonly { id: string; text: string; profile: LocalProfile }[] = [
	{
		id: 'oxlip',
		text: 'made-up example: Oxlip home kitchens, with a permit and a yearly limit',
		profile: {
			...BLANK_PROFILE,
			name: 'Oxlip home kitchens (made up)',
			sentence: 'Made in a home kitchen that is not inspected.',
			sentenceLeast_pt: 10,
			permitAsked: true,
			foods: ['flatbread without filling', 'tortilla', 'dry baking mix'],
			channels: ['From the door', 'Ferry Green Saturday market', 'Delivery in the county'],
			yearlyLimit: '30000',
			panelExempt: true,
			panelCondition: 'while no claim about its nutrition is made, and under the yearly limit'
		}
	},
	{
		id: 'sallow',
		text: 'made-up example: Sallow Vale food businesses, registered and inspected',
		profile: {
			...BLANK_PROFILE,
			name: 'Sallow Vale registered kitchens (made up)',
			permitAsked: false,
			foods: [],
			channels: [],
			panelExempt: true,
			panelCondition: 'where small quantities are sold straight to whoever eats them, or to shops near by'
		}
	}
];
