// Colours and fonts of both pages. docs/look.md shows them.

export const SERIF = "'Literata Variable', 'Noto Music', Georgia, serif";
export const SANS = "'Atkinson Hyperlegible Next Variable', 'Noto Music', system-ui, sans-serif";

/** By day. */
export const paper = {
  '--paper': '#f6f1e7',
  '--sheet': '#fdfaf3',
  '--ink': '#26211b',
  '--ink-soft': '#5d5446',
  '--line': '#b9ac96',
  '--line-soft': '#ded4c1',
  '--accent': '#20574a',
  '--accent-wash': '#dcebe5',
  '--on-accent': '#ffffff',
  '--skin': '#f3e3cf',
  '--wood': '#4a4038',
  '--load': '#8d7b5f',
  '--string': '#cfc4b0',
  '--sheath': '#d3c7b1',
  '--safety': '#a3231a',
  '--safety-wash': '#fbe4e0',
  '--on-safety': '#ffffff',
};

/** By lamplight. */
export const lamp = {
  '--paper': '#1c1915',
  '--sheet': '#26221c',
  '--ink': '#efe7d8',
  '--ink-soft': '#c1b59f',
  '--line': '#6d6353',
  '--line-soft': '#40382d',
  '--accent': '#8dc9b6',
  '--accent-wash': '#24443a',
  '--on-accent': '#10231d',
  '--skin': '#4d4336',
  '--wood': '#0f0d0b',
  '--load': '#9a8c74',
  '--string': '#8d8270',
  '--sheath': '#5b5142',
  '--safety': '#ff9d91',
  '--safety-wash': '#4c1f1a',
  '--on-safety': '#2a0b08',
};
