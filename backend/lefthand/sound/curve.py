"""The pitch and the level of a whole take, coarse enough to be kept and drawn."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from lefthand.sound.alignment import CLEAR, weights
from lefthand.sound.notes import HeardNote
from lefthand.sound.pitch import HOP, PitchTrack, cents_of
from lefthand.sound.score import Score

STEP = 0.025  # s: a vibrato of seven a second still has six points
GLIDE = 0.02  # s from the middle of a glide to its end
FARTHEST = 150  # cents: what is farther is on its way to another note
LOUD_PERCENTILE = 95
SOFTEST = -40  # dB


@dataclass(frozen=True, slots=True)
class Curve:
    """One value every `step` s from `begins`, s, on. cents: against the note of that moment in the
    drill, None where no pitch is clear. level: dB below the loud parts, -40 to 6."""

    step: float
    begins: float
    cents: tuple[int | None, ...]
    level: tuple[int, ...]


def curve_of(score: Score, track: PitchTrack, notes: Sequence[HeardNote]) -> Curve:
    """From a little before the first note to a little after the last."""
    margin = 4 * STEP
    begins = max(float(track.at[0]), notes[0].at - margin)
    ends = min(float(track.at[-1]), notes[-1].at + notes[-1].seconds + margin)
    at = np.arange(begins, ends, STEP)
    place = np.searchsorted([note.at for note in notes], at, side="right") - 1
    targets = np.array([cents_of(score.hz(score.notes[note.place].midi)) for note in notes])
    frame = np.clip(np.searchsorted(track.at, at), 0, len(track) - 1)
    off = track.cents[frame] - targets[np.maximum(place, 0)]
    started = at - np.array([note.at for note in notes])[np.maximum(place, 0)]
    is_glide = (started < GLIDE) | (np.append(np.diff(place), 0) > 0)
    sure = (weights(track)[frame] > CLEAR) & (place >= 0) & ~is_glide & (np.abs(off) < FARTHEST)
    level = _smoothed(track.level)[frame]
    loud = np.percentile(level, LOUD_PERCENTILE)
    return Curve(
        step=STEP,
        begins=round(begins, 3),
        cents=tuple(
            round(float(cents)) if known else None for cents, known in zip(off, sure, strict=True)
        ),
        level=tuple(round(float(db)) for db in np.clip(level - loud, SOFTEST, 6)),
    )


def _smoothed(level: np.ndarray) -> np.ndarray:
    count = max(1, round(STEP / HOP))
    padded = np.pad(level, count // 2, mode="edge")
    return np.convolve(padded, np.ones(count) / count, mode="same")[count // 2 :][: len(level)]
