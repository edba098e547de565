"""The pitch of each note, by finger, and how even the notes are spaced.

The pitch of a note is the median over its steady part. Its uncertainty is what the track still
wanders about it, as a standard error over stretches of 50 ms, with the error of the method itself
(about a cent on sampled instruments) added in squares. A finger's is the larger of what its notes
scatter and what each of them is unsure, over the root of their number.

Evenness is the coefficient of variation of the spacings, each against what the drill asks there.
That of n spacings is itself unsure by 1 / sqrt(2 n) of its size (Kendall and Stuart, "The Advanced
Theory of Statistics" 1, section 10.5, for a normal sample).
"""

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field
from itertools import pairwise

import numpy as np

from lefthand.sound.alignment import CLEAR, Span, weights
from lefthand.sound.onsets import Start
from lefthand.sound.pitch import HOP, PitchTrack, cents_of
from lefthand.sound.recording import Samples
from lefthand.sound.score import Score
from lefthand.values.vocabulary import Instrument

METHOD_CENTS = 0.8
# Cents of the method over the periods that a note's steady part holds: recorded notes of the double
# bass at 8 to 12 a second were up to 8 cents off, those of the violin hardly one.
A_PERIOD = 14.0
MOST_METHOD = 3.0  # cents, beyond which a finger's pitch is not told
UNCORRELATED = 0.05  # s
SKIP_FIRST, SKIP_LAST = (0.025, 0.25), (0.015, 0.10)  # at least s, share of the note
DOUBTFUL_SPREAD = 0.015  # s
ROBUST = 1.4826  # of a normal sample: standard deviation over median absolute deviation
FEWEST_SPACINGS = 6
FAR_OUT = 3.5  # robust deviations
LEAP_SEMITONES = 4
# The least unevenness that can be told, %, by notes a second: what nine of ten even takes of
# recorded notes stayed below, in rooms of 0.2 to 0.5 s. A start is sure to a few ms, which weighs
# more in short notes; the single notes of players on cello and bass speak late and each in its own
# time. The viola's are from one long note only, and no less than the violin's.
Floor = Sequence[tuple[float, float]]
LEAST: Mapping[Instrument, Floor] = {
    Instrument.VIOLIN: ((2.0, 1.0), (4.0, 2.5), (8.0, 4.5), (12.0, 7.0)),
    Instrument.VIOLA: ((2.0, 1.5), (4.0, 3.0), (8.0, 5.0), (12.0, 8.5)),
    Instrument.CELLO: ((2.0, 2.0), (4.0, 3.5), (8.0, 8.0), (12.0, 15.0)),
    Instrument.BASS: ((2.0, 3.0), (4.0, 5.0), (8.0, 16.0), (12.0, 22.0)),
}


@dataclass(frozen=True, slots=True)
class HeardNote:
    """One note that was heard. place: in the drill. at: its start, s. seconds: to its end. cents:
    against the drill; uncertainty: its standard error. voiced: share of it with a clear pitch.
    method: cents of the uncertainty that more notes alike would share."""

    place: int
    at: float
    seconds: float
    cents: float
    uncertainty: float
    voiced: float
    slurred: bool
    doubts: tuple[str, ...] = ()
    method: float = METHOD_CENTS


@dataclass(frozen=True, slots=True)
class FingerPitch:
    """cents against the drill over `notes` notes, with its standard error."""

    cents: float
    uncertainty: float
    notes: int


@dataclass(frozen=True, slots=True)
class Evenness:
    """cv and its uncertainty, robust_cv and least (what can be told at this speed) in %; places: of
    the notes whose spacing to the next counts; outliers: those of them that are far out; pairs: cv
    by pair of fingers, where it has enough spacings; counts: how many each of those has."""

    cv: float
    uncertainty: float
    robust_cv: float
    least: float
    places: tuple[int, ...]
    outliers: tuple[int, ...]
    pairs: Mapping[tuple[int, int], float]
    counts: Mapping[tuple[int, int], int] = field(default_factory=dict)

    @property
    def worst_pair(self) -> tuple[int, int] | None:
        """The pair that is surely less even than the others; None where none is."""
        if len(self.pairs) < 2:
            return None
        worst = max(self.pairs, key=lambda pair: self.pairs[pair])
        others = [cv for pair, cv in self.pairs.items() if pair != worst]
        give = 2 / np.sqrt(2 * self.counts.get(worst, 1))
        return worst if self.pairs[worst] * (1 - give) > np.median(others) else None


def steady(at: float, end: float) -> tuple[float, float]:
    """The part of a note, s, that belongs to it alone."""
    length = end - at
    return (
        at + max(SKIP_FIRST[0], SKIP_FIRST[1] * length),
        end - max(SKIP_LAST[0], SKIP_LAST[1] * length),
    )


def heard_notes(
    score: Score, track: PitchTrack, spans: Sequence[Span | None], starts: Sequence[Start | None]
) -> list[HeardNote]:
    """The notes that were heard, in order."""
    weight = weights(track)
    found = []
    for place, (span, start) in enumerate(zip(spans, starts, strict=True)):
        if span is None or start is None:
            continue
        end = float(track.at[min(span.end, len(track) - 1)])
        following = starts[place + 1] if place + 1 < len(starts) else None
        if following is not None and abs(following.at - end) < 0.1:
            end = following.at
        target = cents_of(score.hz(score.notes[place].midi))
        found.append(_heard(place, start, end, target, track, weight))
    return found


def _heard(
    place: int, start: Start, end: float, target: float, track: PitchTrack, weight: Samples
) -> HeardNote:
    first, last = np.searchsorted(track.at, steady(start.at, end))
    last = max(last, first + 1)
    cents, sure = track.cents[first:last] - target, weight[first:last]
    doubts = []
    voiced = float(np.mean(sure > CLEAR)) if len(sure) else 0.0
    if voiced < 0.5:
        doubts.append("unclear")
    if start.spread > DOUBTFUL_SPREAD:
        doubts.append("start")
    known = sure > CLEAR
    middle = _weighted_median(cents[known], sure[known]) if known.any() else float("nan")
    scatter = ROBUST * np.median(np.abs(cents[known] - middle)) if known.sum() > 2 else 10.0
    stretches = max(1.0, known.sum() * HOP / UNCORRELATED)
    periods = (last - first) * HOP * 2 ** (target / 1200)
    method = float(np.hypot(METHOD_CENTS, A_PERIOD / periods))
    error = float(np.hypot(1.2533 * scatter / np.sqrt(stretches), method))
    length = end - start.at
    return HeardNote(
        place, start.at, length, middle, error, voiced, start.slurred, tuple(doubts), method
    )


def _weighted_median(values: Samples, weight: Samples) -> float:
    order = np.argsort(values)
    sums = np.cumsum(weight[order])
    return float(values[order][np.searchsorted(sums, sums[-1] / 2)])


def by_finger(score: Score, notes: Sequence[HeardNote]) -> dict[int, FingerPitch]:
    """The mean of each finger's notes that are sure, 0 the open strings; fingers whose notes are
    too short for their pitch to be told are left out."""
    own: dict[int, list[HeardNote]] = {}
    for note in notes:
        is_long = note.method <= MOST_METHOD
        if "unclear" not in note.doubts and np.isfinite(note.cents) and is_long:
            own.setdefault(score.notes[note.place].finger, []).append(note)
    return {finger: _finger(each) for finger, each in sorted(own.items())}


def _finger(notes: Sequence[HeardNote]) -> FingerPitch:
    cents = np.array([note.cents for note in notes])
    errors = np.array([note.uncertainty for note in notes])
    # One wild note does not move it: what lies far from the median is held at the edge.
    middle = np.median(cents)
    edge = max(10.0, 3 * ROBUST * float(np.median(np.abs(cents - middle))))
    held = np.clip(cents, middle - edge, middle + edge)
    scatter = float(held.std(ddof=1)) if len(held) > 1 else 0.0
    error = max(scatter, float(np.sqrt(np.mean(errors**2)))) / np.sqrt(len(held))
    method = float(np.median([note.method for note in notes]))
    return FingerPitch(float(held.mean()), float(np.hypot(error, method)), len(held))


def evenness(
    score: Score, notes: Sequence[HeardNote], slipped: Collection[int] = ()
) -> Evenness | None:
    """Over the stepwise spacings between slurred starts that are sure; None for fewer than six.
    slipped: places of notes that were played twice or after which the line stopped."""
    spacings: list[tuple[int, float]] = []
    for before, after in pairwise(notes):
        one, other = score.notes[before.place], score.notes[after.place]
        is_next = after.place == before.place + 1
        is_step = abs(other.midi - one.midi) <= LEAP_SEMITONES
        is_sure = not {"start", "unclear"} & {*before.doubts, *after.doubts}
        is_whole = is_next and before.place not in slipped
        if is_whole and is_step and is_sure and before.slurred and after.slurred:
            nominal = other.onset - one.onset
            spacings.append((before.place, (after.at - before.at) / nominal))
    if len(spacings) < FEWEST_SPACINGS:
        return None
    ratios = np.array([ratio for _, ratio in spacings])
    middle = float(np.median(ratios))
    robust = 100 * ROBUST * float(np.median(np.abs(ratios - middle))) / middle
    cv = 100 * float(ratios.std(ddof=1) / ratios.mean())
    seconds = [score.notes[p + 1].onset - score.notes[p].onset for p, _ in spacings]
    speed = 1 / float(np.median(ratios * np.array(seconds)))
    least = least_at(speed, score.instrument)
    edge = FAR_OUT * max(robust, least / 2) / 100 * middle
    pairs = _pairs(score, spacings, float(ratios.mean()))
    return Evenness(
        cv=cv,
        uncertainty=cv / np.sqrt(2 * len(ratios)),
        robust_cv=robust,
        least=least,
        places=tuple(place for place, _ in spacings),
        outliers=tuple(place for place, ratio in spacings if abs(ratio - middle) > edge),
        pairs=pairs,
        counts=_counts(score, spacings, pairs),
    )


def least_at(speed: float, instrument: Instrument) -> float:
    """% of unevenness below which nothing can be told at so many notes a second."""
    speeds, least = zip(*LEAST[instrument], strict=True)
    return float(np.interp(speed, speeds, least))


def beyond_ear(cv: float, error: float, least: float) -> tuple[float, float]:
    """Unevenness, %, without what even takes show at this speed, and its standard error: what is
    independent adds in squares. A fast take is heard less surely than a slow one, which is not the
    player's."""
    beyond = math.sqrt(max(0.0, cv * cv - least * least))
    return beyond, error * cv / beyond if beyond else error


def _pairs(
    score: Score, spacings: Sequence[tuple[int, float]], mean: float
) -> dict[tuple[int, int], float]:
    """The spread of a pair's spacings about its own mean, and of that mean about the others'."""
    own: dict[tuple[int, int], list[float]] = {}
    for place, ratio in spacings:
        one, other = score.notes[place].finger, score.notes[place + 1].finger
        if one != other and one and other:
            own.setdefault((min(one, other), max(one, other)), []).append(ratio / mean - 1)
    return {
        pair: 100 * float(np.sqrt(np.mean(np.square(each))))
        for pair, each in sorted(own.items())
        if len(each) >= FEWEST_SPACINGS // 2
    }


def _counts(
    score: Score, spacings: Sequence[tuple[int, float]], pairs: Collection[tuple[int, int]]
) -> dict[tuple[int, int], int]:
    found = dict.fromkeys(pairs, 0)
    for place, _ in spacings:
        one, other = score.notes[place].finger, score.notes[place + 1].finger
        pair = (min(one, other), max(one, other))
        if pair in found:
            found[pair] += 1
    return found
