import css from './Key.module.css';

/** The key of an action, small beside its words; screen readers hear it from the action itself. */
export function Key({ name }: { name: string }) {
  return (
    <kbd className={css.key} data-letter={name.length === 1 || undefined} aria-hidden="true">
      {name}
    </kbd>
  );
}
