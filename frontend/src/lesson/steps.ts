import * as say from '../messages/compiled/lesson';

export const STEPS = ['ask', 'look', 'decide', 'give'] as const;
export type Step = (typeof STEPS)[number];

export const STEP_WORDS: Record<Step, string> = {
  ask: say.ask(),
  look: say.look(),
  decide: say.decide(),
  give: say.give(),
};

export const STEP_KEYS: Record<Step, string> = { ask: 'a', look: 'l', decide: 'd', give: 'g' };
