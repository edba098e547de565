import { useKeys } from '../components/useKeys';
import type { Asked } from './useAsked';

const GRADES = [0, 1, 2, 3];

interface Actions {
  asked: Asked;
  onSkip: (() => void) | undefined;
  onMeasure: () => void;
  onChoose: (kind: 'look' | 'trials' | 'placeless') => void;
  onEase: () => void;
  onWhy: (() => void) | undefined;
  onBack: () => void;
  onNext: (() => void) | undefined;
}

/** A look by keys alone, with the eyes on the player. */
export function useLookKeys({ asked, ...on }: Actions): void {
  useKeys({
    ...Object.fromEntries(GRADES.map((each) => [String(each), () => asked.grade(each)])),
    ArrowDown: () => asked.step(1),
    ArrowUp: () => asked.step(-1),
    ArrowRight: () => asked.moveFinger(1),
    ArrowLeft: () => asked.moveFinger(-1),
    x: on.onSkip,
    m: on.onMeasure,
    n: () => on.onChoose('look'),
    t: () => on.onChoose('trials'),
    r: () => on.onChoose('placeless'),
    v: on.onEase,
    c: on.onWhy,
    Escape: on.onBack,
    Enter: on.onNext,
  });
}
