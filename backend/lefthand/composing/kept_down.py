"""Fingers that stay down after they have played, for those who teach so.

A finger stays while higher ones play on its string; it leaves with a rest, a change of string, a
slide, an open string, a pluck or a lower finger (common practice, no source).
"""

from dataclasses import replace

from lefthand.catalogue.exercises import Exercise
from lefthand.music.score import Drill, Event
from lefthand.values.vocabulary import Kind

LETS_OFF = "held_fingers"


def lets_fingers_off(exercise: Exercise) -> bool:
    """True for an exercise that is about letting go, where nothing stays down."""
    return exercise.kind is Kind.RELEASE or LETS_OFF in exercise.aims


def with_fingers_down(drill: Drill) -> Drill:
    """The same notes, each with the lower fingers that have played before it on its string. Notes
    that say themselves what stays keep that."""
    down: dict[int, int] = {}  # finger -> sounding pitch, MIDI
    string: int | None = None
    bars = []
    for bar in drill.bars:
        played = []
        for event in bar:
            if _leaves(event, string):
                down = {}
            if len(event.tones) != 1 or event.plucks:
                string = None
                played.append(event)
                continue
            tone = event.tones[0]
            below = {f: p for f, p in down.items() if f < tone.finger and p < tone.pitch.midi}
            kept = event.kept or tuple(sorted(below))
            played.append(replace(event, kept=kept))
            down = {} if "slide" in event.marks else below | {tone.finger: tone.pitch.midi}
            string = tone.string
        bars.append(tuple(played))
    return replace(drill, bars=tuple(bars))


def _leaves(event: Event, string: int | None) -> bool:
    if event.is_rest or event.plucks or len(event.tones) != 1:
        return True
    tone = event.tones[0]
    return tone.finger == 0 or tone.string != string
