/** The drill that plays a tune as it is. */
const TUNE_DRILL = 'easy_tune';

const BENCH = '/library?shelf=drills';

export const drillAddress = (drill: string, instrument: string) =>
  `${BENCH}&drill=${drill}&instrument=${instrument}`;

export const tuneAddress = (tune: string, instrument: string) =>
  `${drillAddress(TUNE_DRILL, instrument)}&tune=${tune}`;
