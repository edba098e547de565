import { Sign } from '../components/Sign';
import css from './Setting.module.css';
import * as say from '../messages/compiled/lesson';

interface Props {
  label: string;
  value: string;
  detail: string;
  less: (() => void) | undefined;
  more: (() => void) | undefined;
  /** What it is a setting of. */
  name: string;
}

/** One number of an exercise, with less and more at its two ends. */
export function Setting({ label, value, detail, less, more, name }: Props) {
  return (
    <div className={css.setting} role="group" aria-label={say.ofOfLabel({ label, name })}>
      <span>{label}</span>
      <button type="button" aria-label={say.down({ label, name })} disabled={!less} onClick={less}>
        <Sign name="less" />
      </button>
      <span className={css.value}>
        <strong>{value}</strong>
        <small>{detail}</small>
      </span>
      <button type="button" aria-label={say.up({ label, name })} disabled={!more} onClick={more}>
        <Sign name="more" />
      </button>
    </div>
  );
}
