export default {
  extends: 'stylelint-config-recommended',
  rules: {
    // A state of one part may stand before the plain rule of another.
    'no-descending-specificity': null,
    'selector-pseudo-class-no-unknown': [true, { ignorePseudoClasses: ['global'] }],
    'declaration-property-value-no-unknown': true,
    'selector-max-id': 0,
  },
};
