export const STEPS = ['ask', 'look', 'decide', 'give'] as const;
export type Step = (typeof STEPS)[number];

export const STEP_WORDS: Record<Step, string> = {
  ask: 'Ask',
  look: 'Look',
  decide: 'Decide',
  give: 'Give',
};

export const STEP_KEYS: Record<Step, string> = { ask: 'a', look: 'l', decide: 'd', give: 'g' };
