"""What a dose asks for, one after the other, as a timer cues it: per finger, string or pair, each
hold and each letting go, and one rest after a set."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from enum import StrEnum

from lefthand.values.dose import Dose
from lefthand.values.fingers import aimed_fingers, finger_pairs

LEAST_REST = 5.0
CHANGE_SECONDS = 3.0


class CueKind(StrEnum):
    DO = "do"
    LET_GO = "let go"
    CHANGE = "change"
    REST = "rest"


@dataclass(frozen=True, slots=True)
class Cue:
    """`seconds` of one thing, and what it is about."""

    kind: CueKind
    seconds: float
    words: str


def cues_of(dose: Dose, each: Sequence[str] = ("",), turns: Sequence[str] = ()) -> list[Cue]:
    """The cues of a dose. `each`: what the repetitions are repeated for, in words; one empty word
    for none. `turns`: what one repetition goes through, each told when it is on.

    Holds and repetitions with a pause are cued one by one, quick ones as one stretch.
    """
    cues: list[Cue] = []
    for number in range(1, dose.sets + 1):
        about = f"round {number} of {dose.sets}" if dose.sets > 1 else ""
        for index, name in enumerate(each):
            if index:
                cues.append(Cue(CueKind.CHANGE, CHANGE_SECONDS, f"next: {name}"))
            told = ", ".join(w for w in (name, about) if w)
            cues += _in_turn(dose, told, turns) if turns else _repetitions(dose, told)
        if number < dose.sets:
            cues.append(Cue(CueKind.REST, max(dose.rest, LEAST_REST), "arm down"))
    return cues


def _in_turn(dose: Dose, about: str, turns: Sequence[str]) -> Iterator[Cue]:
    for number in range(1, dose.reps + 1):
        count = f"{number} of {dose.reps}" if dose.reps > 1 else ""
        for turn in turns:
            words = ", ".join(w for w in (turn, count, about) if w)
            yield Cue(CueKind.DO, dose.seconds / len(turns), words)


def _repetitions(dose: Dose, about: str) -> Iterator[Cue]:
    pause = max(dose.pause, LEAST_REST) if dose.is_hold else dose.pause
    if not pause:
        words = dose.count_words()
        yield Cue(CueKind.DO, dose.reps * dose.seconds, ", ".join(w for w in (words, about) if w))
        return
    for number in range(1, dose.reps + 1):
        words = f"{number} of {dose.reps}"
        yield Cue(CueKind.DO, dose.seconds, ", ".join(w for w in (words, about) if w))
        yield Cue(CueKind.LET_GO, pause, "let everything hang")


def each_words(
    dose: Dose, fingers: Sequence[int], hand: Sequence[int], strings: Sequence[str]
) -> list[str]:
    """What a dose is repeated for, in words. `fingers`: those aimed at, () for all of the `hand`;
    `strings`: their names, lowest first."""
    if dose.per == "finger":
        return [f"finger {finger}" for finger in aimed_fingers(hand, fingers)]
    if dose.per == "string":
        return [f"{name} string" for name in strings]
    if dose.per == "pair":
        return [f"fingers {low} and {high}" for low, high in finger_pairs(hand, fingers)]
    return [""]
