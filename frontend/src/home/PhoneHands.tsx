import type { Schemas } from '../api/client';
import { Hand } from '../drawings/Hand';
import { useFrame } from '../drawings/useFrame';
import css from './PhoneHands.module.css';
import * as say from '../messages/compiled/home';
import { fromTo } from '../words/lists';

interface Props {
  pair: Schemas['TwoHandsOut'];
  /** Beside music: one small picture. */
  small: boolean;
}

/** A movement moves by itself; right and wrong stand side by side and do not. */
export function PhoneHands({ pair, small }: Props) {
  const [first, second] = [pair.frames[0], pair.frames.at(-1)];
  if (pair.moves) return <Moving pair={pair} small={small} />;
  return (
    <div className={small ? css.one : css.two}>
      {first && (
        <figure>
          <Hand frame={first} words={pair.words[0] ?? ''} />
          <figcaption aria-hidden="true">{pair.words[0]}</figcaption>
        </figure>
      )}
      {second && !small && (
        <figure data-wrong>
          <Hand frame={second} words={pair.words[1] ?? ''} />
          <figcaption aria-hidden="true">{wrongWords(pair.words[1] ?? '')}</figcaption>
        </figure>
      )}
    </div>
  );
}

function Moving({ pair, small }: Props) {
  const at = useFrame(pair.frames.length);
  const frame = pair.frames[at];
  return (
    <div className={small ? css.one : css.large}>
      <figure>
        {frame && <Hand frame={frame} words={say.from({ words: fromTo(pair.words) })} />}
        <figcaption aria-hidden="true">
          {pair.words[at < pair.frames.length / 2 ? 0 : 1]}
        </figcaption>
      </figure>
    </div>
  );
}

/** As on paper: what is not wanted says so, but for what says what to do about it. */
function wrongWords(words: string): string {
  return words.includes(':') ? words : `not: ${words}`;
}
