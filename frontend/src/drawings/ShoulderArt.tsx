import css from './art.module.css';
import { Limb } from './Limb';
import { SHOULDER_FINGERS } from './spots';

const STRING_WIDTHS = [3, 2.3, 1.7, 1.1];

/** The left hand on the neck of a violin or viola, as the teacher sees it from the front. */
export function ShoulderArt() {
  const fingers = Object.values(SHOULDER_FINGERS);
  return (
    <g aria-hidden="true">
      <path className={css.thin} d="M0 96 C70 100 104 132 100 176 C96 222 60 232 0 238" />
      <path className={css.thin} d="M0 112 C60 116 88 140 86 174 C84 210 52 218 0 222" />
      <path
        className={css.thin}
        d="M14 262 C34 252 70 250 96 262 C108 274 104 296 84 304 C56 314 26 308 14 298 Z"
      />
      <Limb d="M384 424 Q352 480 300 560" width={92} />
      <path
        className={css.skin}
        d="M292 262 C286 300 300 340 322 388 C330 410 336 424 338 436 L430 436 C432 412 448 388 474 352
           C492 326 500 300 486 284 C474 270 462 256 452 250 Z"
      />
      {fingers.map((f) => (
        <Limb
          key={f.base[0]}
          d={`M${f.base[0]} ${f.base[1] + 8} C${f.base[0] - 2} 210 ${f.middle[0]} 150 ${f.middle[0]} ${f.middle[1]}`}
          width={40}
        />
      ))}
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
      <path className={css.thin} d="M340 424 q44 16 90 0" />
      <path className={css.thin} d="M326 276 q6 10 2 22 M370 272 q6 10 2 22 M414 272 q6 10 2 22" />
    </g>
  );
}
