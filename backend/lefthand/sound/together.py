"""Finger and bow: where a bow of its own begins a new note, whether the finger was there.

The finger is where the old pitch gives way to the new one, the bow where the level has risen by a
fifth from its trough, as in `onsets`: on recorded notes with a known lag of up to 80 ms the median
of a finger lay within 16 ms of it and mostly below. A finger that is early in a silence cannot be
heard: it counts as in time. That 25 ms are late is our own edge, no source.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from lefthand.sound.alignment import Span
from lefthand.sound.onsets import StartFinder
from lefthand.sound.pitch import PitchTrack
from lefthand.sound.recording import Recording, Samples
from lefthand.sound.score import Score

LATE = 0.025  # s after the bow
FARTHEST = 0.1  # s, beyond which it is another note's business
FEWEST = 4  # bow starts of a finger
NEAR = 0.15  # s between two notes that follow each other
METHOD_MS = 8.0
ROBUST = 1.4826 * 1.2533  # standard error of a median by its median absolute deviation


@dataclass(frozen=True, slots=True)
class BowStart:
    """place: of the note that begins. late: s that its finger came after the bow, negative before
    it."""

    place: int
    late: float


@dataclass(frozen=True, slots=True)
class FingerTiming:
    """ms, the median over `starts` bow starts, with its standard error; share of them that are
    late."""

    ms: float
    uncertainty: float
    share: float
    starts: int


def bow_starts(
    recording: Recording, track: PitchTrack, score: Score, spans: Sequence[Span | None]
) -> list[BowStart]:
    """Of the notes that have a bow of their own and another pitch than the note before."""
    finder = StartFinder(recording, track, score, spans)
    found = []
    for place in range(1, len(spans)):
        if score.slurred and score.notes[place - 1].bound:
            continue
        late = finder.late(place, NEAR)
        if late is not None and abs(late) <= FARTHEST:
            found.append(BowStart(place, late))
    return found


def timing_by_finger(score: Score, starts: Sequence[BowStart]) -> dict[int, FingerTiming]:
    """Of each finger that was heard at least four times, 0 the open strings left out."""
    own: dict[int, list[float]] = {}
    for start in starts:
        finger = score.notes[start.place].finger
        if finger:
            own.setdefault(finger, []).append(1000 * start.late)
    return {f: _timing(np.array(ms)) for f, ms in sorted(own.items()) if len(ms) >= FEWEST}


def _timing(ms: Samples) -> FingerTiming:
    middle = float(np.median(ms))
    scatter = ROBUST * float(np.median(np.abs(ms - middle))) / np.sqrt(len(ms))
    share = float(np.mean(ms > 1000 * LATE))
    return FingerTiming(middle, float(np.hypot(scatter, METHOD_MS)), share, len(ms))
