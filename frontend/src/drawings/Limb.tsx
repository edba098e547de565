import css from './art.module.css';

/** A finger, thumb or arm drawn as one soft line with an ink edge. */
export function Limb({ d, width }: { d: string; width: number }) {
  return (
    <>
      <path d={d} className={css.limbEdge} strokeWidth={width} />
      <path d={d} className={css.limbSkin} strokeWidth={width - 3.2} />
    </>
  );
}
