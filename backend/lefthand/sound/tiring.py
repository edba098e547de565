"""From where in a passage the hand tightens: pitch, spacing and tone get worse together.

Each note has a score: how far its pitch lies from where this finger began, how unusual its spacing
is and how much of its clearness is lost, each in robust deviations of the notes of the first third.
The point is where a rise, at once or over up to a third of the passage, fits these scores best by
least squares; it counts if the rise is larger than chance would make it among so many places (its
Student's t is 4.5 or more, set by simulated even takes) and is one and a half deviations or more.
"""

from collections.abc import Sequence
from itertools import pairwise

import numpy as np

from lefthand.sound.notes import HeardNote
from lefthand.sound.pitch import PitchTrack
from lefthand.sound.recording import Samples
from lefthand.sound.score import Score
from lefthand.sound.tone import clearness

FEWEST_NOTES = 16
FIRST_PART = 3
LARGEST = 6.0
LEAST_T, LEAST_RISE, LEAST_SPREAD = 4.5, 1.5, 0.3
RISES = (0.0, 0.15, 0.3)  # of the passage, until it is as bad as it gets
FEWEST_BESIDE = 4
SHORTEST_SPACING = 0.005  # s
LEAST_CENTS, LEAST_SPACING, LEAST_DB = 4.0, 0.03, 2.0


def strain(score: Score, track: PitchTrack, notes: Sequence[HeardNote]) -> Samples:
    """(notes,) how unusual each note is within the take, 0 and more: the three scores together, in
    robust deviations of all notes. Zeros for fewer than four notes."""
    if len(notes) < FEWEST_BESIDE:
        return np.zeros(len(notes))
    return np.asarray(
        sum(_worse(values, least, len(notes)) for values, least in _measured(score, track, notes))
    )


def tightens_from(score: Score, track: PitchTrack, notes: Sequence[HeardNote]) -> float | None:
    """The share of the passage, 0..1, that was played before; 1 where it never tightened; None for
    fewer than sixteen notes."""
    if len(notes) < FEWEST_NOTES:
        return None
    early = max(4, len(notes) // FIRST_PART)
    measured = _measured(score, track, notes)
    scores = np.asarray(sum(_worse(values, least, early) for values, least in measured))
    place = _turning_point(scores)
    if place is None:
        return 1.0
    first, last = notes[0].at, notes[-1].at + notes[-1].seconds
    return float((notes[place].at - first) / (last - first))


def _measured(
    score: Score, track: PitchTrack, notes: Sequence[HeardNote]
) -> tuple[tuple[Samples, float], ...]:
    """Each score with the least deviation that counts as one."""
    return (
        (_pitches(score, notes), LEAST_CENTS),
        (_spacings(score, notes), LEAST_SPACING),
        (_clearness(track, notes), LEAST_DB),
    )


def _turning_point(scores: Samples) -> int | None:
    """The note from which a rise fits best; None where the rise is not above chance."""
    count = len(scores)
    number = np.arange(count)
    best, left, place = 0.0, np.inf, None
    for at in range(FEWEST_BESIDE, count - FEWEST_BESIDE + 1):
        for share in RISES:
            shape = np.clip((number - at + 1) / max(1.0, share * count), 0, 1)
            calm = shape - shape.mean()
            rise = float(calm @ scores / (calm @ calm))
            rest = scores - scores.mean() - rise * calm
            spread = max(LEAST_SPREAD, float(np.sqrt(rest @ rest / (count - 2))))
            if rise >= LEAST_RISE and rest @ rest < left:
                best, left, place = rise / spread * float(np.sqrt(calm @ calm)), rest @ rest, at
    return place if best >= LEAST_T else None


def _worse(values: Samples, least: float, first: int) -> Samples:
    """Robust deviations above the first so many, 0 and more; unknown values count as usual."""
    early = values[:first]
    middle = np.nanmedian(early)
    spread = max(least, 1.4826 * float(np.nanmedian(np.abs(early - middle))))
    return np.nan_to_num(np.clip((values - middle) / spread, 0, LARGEST))


def _pitches(score: Score, notes: Sequence[HeardNote]) -> Samples:
    """Cents from where this finger was on its first three notes."""
    first: dict[int, list[float]] = {}
    for note in notes:
        first.setdefault(score.notes[note.place].finger, []).append(note.cents)
    began = {finger: float(np.nanmedian(cents[:3])) for finger, cents in first.items()}
    return np.array([abs(n.cents - began[score.notes[n.place].finger]) for n in notes])


def _spacings(score: Score, notes: Sequence[HeardNote]) -> Samples:
    asked = [score.notes[note.place].onset for note in notes]
    ratios = [
        max(b.at - a.at, SHORTEST_SPACING) / (later - earlier)
        for (a, b), (earlier, later) in zip(pairwise(notes), pairwise(asked), strict=True)
    ]
    logs = np.log(np.array([*ratios, ratios[-1]]))
    return np.asarray(np.abs(logs - np.median(logs)))


def _clearness(track: PitchTrack, notes: Sequence[HeardNote]) -> Samples:
    """Minus the clearness of each note, dB."""
    clear = clearness(track)
    found = []
    for note in notes:
        first, last = np.searchsorted(
            track.at, [note.at + 0.2 * note.seconds, note.at + 0.85 * note.seconds]
        )
        found.append(-float(np.median(clear[first : max(last, first + 1)])))
    return np.array(found)
