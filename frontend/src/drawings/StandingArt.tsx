import css from './art.module.css';
import { Limb } from './Limb';
import { STANDING_FINGERS } from './spots';

const STRING_WIDTHS = [3.2, 2.5, 1.9, 1.3];

/** The left hand on the neck of a cello or bass, as the teacher sees it from the front. */
export function StandingArt() {
  const fingers = Object.values(STANDING_FINGERS);
  return (
    <g aria-hidden="true">
      <path
        className={css.thin}
        d="M30 540 C40 470 90 440 150 436 C182 434 196 452 196 476 L286 476 C286 452 300 434 332 436 C392 440 442 470 452 540"
      />
      <path className={css.hidden} d="M430 300 C360 330 250 300 176 238" strokeWidth={2} />
      <path
        className={css.skin}
        d="M404 152 C440 146 486 176 522 222 C552 260 572 300 588 344 C606 400 622 460 628 560 L528 560
           C530 500 524 440 506 392 C500 372 490 360 474 354 C446 346 420 336 402 316 Z"
      />
      <path
        className={css.neck}
        d="M204 58 C188 40 192 12 222 8 C250 4 268 26 256 42 C248 52 232 44 238 34 L262 58 Z"
      />
      <path className={css.board} d="M204 58 L264 58 L284 470 L188 470 Z" />
      {STRING_WIDTHS.map((width, index) => (
        <path
          key={width}
          className={css.string}
          strokeWidth={width}
          d={`M${212 + index * 14.6} 56 L${200 + index * 24} 540`}
        />
      ))}
      {fingers.map((f) => (
        <Limb
          key={f.base[1]}
          d={`M${f.base[0] + 10} ${f.base[1]} Q${f.middle[0] + 40} ${f.middle[1] - 4} ${f.middle[0]} ${f.middle[1]} Q${f.middle[0] - 22} ${f.middle[1] - 4} ${f.last[0]} ${f.last[1]} L${f.tip[0]} ${f.tip[1]}`}
          width={39}
        />
      ))}
      <path
        className={css.cover}
        d="M420 158 C446 180 456 280 420 314 L470 330 L486 240 L452 166 Z"
      />
      {fingers.map((f) => (
        <path
          key={f.last[1]}
          className={css.thin}
          d={`M${f.last[0] + 4} ${f.last[1] - 12} q-8 12 0 24 M${f.middle[0]} ${f.middle[1] - 14} q-8 14 2 28`}
        />
      ))}
      <path className={css.hidden} d="M206 262 C176 268 162 244 172 226 C182 210 200 214 208 224" />
      {fingers.map((f) => (
        <path
          key={f.label[1]}
          className={css.thin}
          d={`M${f.label[0] + 20} ${f.label[1]} L194 ${f.tip[1]}`}
        />
      ))}
    </g>
  );
}
