import Joi from 'joi';
import type { KeptDecision } from '../../batch/contact.ts';
import { text } from './fields.ts';

/** An answer as a form sends it. */
export interface DecisionForm {
	allergen: string;
	answer: KeptDecision['answer'];
	/** Key of the proposal's source; empty for a withdrawal. */
	source: string;
	reason: string;
}

export const decisionForm = Joi.object<DecisionForm>({
	allergen: Joi.string().max(60).required(),
	answer: Joi.valid('accepted', 'declined', 'withdrawn').required(),
	source: Joi.string().allow('').max(80).required(),
	reason: text(300, 'say why: the reason is kept')
});
