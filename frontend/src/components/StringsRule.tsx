import css from './StringsRule.module.css';

/** Four thin lines like strings: the only ornament. */
export function StringsRule() {
  return (
    <div className={css.rule} aria-hidden="true">
      <i />
      <i />
      <i />
      <i />
    </div>
  );
}
