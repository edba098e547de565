import css from './art.module.css';
import { Limb } from './Limb';
import { drawnFlipped, SHOULDER_FINGERS, WIDTH } from './spots';

// From the far side of the board to the near one, where the thumb is: thin to thick.
const STRING_WIDTHS = [1.1, 1.7, 2.3, 3];

/** The left hand on the neck of a violin or viola, seen from its palm: scroll and thumb to the left. */
export function ShoulderArt() {
  const fingers = Object.values(SHOULDER_FINGERS).map(drawnFlipped);
  return (
    <g aria-hidden="true" transform={`translate(${WIDTH} 0) scale(-1 1)`}>
      <path className={css.thin} d="M0 96 C70 100 104 132 100 176 C96 222 60 232 0 238" />
      <path className={css.thin} d="M0 112 C60 116 88 140 86 174 C84 210 52 218 0 222" />
      <path
        className={css.thin}
        d="M8 258 C34 246 78 246 104 258 C120 274 116 312 92 326 C60 338 22 332 8 318 Z"
      />
      <path
        className={css.skin}
        d="M284 262 C280 306 300 346 322 390 C330 420 318 452 286 500 C264 534 262 560 276 580 L392 580
           C398 548 412 500 426 440 C434 410 450 388 474 352 C492 326 500 300 486 284 C474 270 462 256
           456 250 Z"
      />
      {fingers.map((f) => (
        <Limb
          key={f.base[0]}
          d={`M${f.base[0]} ${f.base[1] + 8} C${f.base[0] - 2} 210 ${f.middle[0]} 150 ${f.middle[0]} ${f.middle[1]}`}
          width={40}
        />
      ))}
      <path
        className={css.cover}
        d="M287 258 C300 282 318 292 350 294 C392 296 440 292 462 262 L470 330 L300 330 Z"
      />
      <path
        className={css.neck}
        d="M0 204 L556 198 L556 226 C420 234 260 240 170 240 C130 240 110 236 96 230 Z"
      />
      <path className={css.board} d="M40 138 L560 148 L560 200 L40 210 Z" />
      <path
        className={css.neck}
        d="M560 148 L592 150 C612 140 634 152 632 172 C630 192 606 196 598 184 C592 174 602 164 612 170 L592 200 L560 200 Z"
      />
      {STRING_WIDTHS.map((width, index) => (
        <path
          key={width}
          className={css.string}
          strokeWidth={width}
          d={`M0 ${146 + index * 18} L562 ${155 + index * 12.5}`}
        />
      ))}
      {fingers.map((f) => (
        <Limb
          key={f.tip[0]}
          d={`M${f.middle[0]} ${f.middle[1] + 14} Q${f.middle[0]} ${f.middle[1] - 2} ${f.last[0]} ${f.last[1]} L${f.tip[0]} ${f.tip[1]}`}
          width={35}
        />
      ))}
      {fingers.map((f) => (
        <path
          key={f.last[0]}
          className={css.thin}
          d={`M${f.last[0] - 10} ${f.last[1] + 6} q10 6 20 2`}
        />
      ))}
      <Limb d="M462 350 C506 326 528 280 530 236 L524 172" width={44} />
      <path className={css.thin} d="M512 208 q12 6 24 0" />
      <path className={css.thin} d="M330 428 q46 14 92 2 M334 440 q42 12 82 2" />
      <path className={css.thin} d="M326 276 q6 10 2 22 M370 272 q6 10 2 22 M414 272 q6 10 2 22" />
    </g>
  );
}
