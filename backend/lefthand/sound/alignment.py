"""Which stretch of a take is which note of the drill.

A path through the drill's notes in order (semi-Markov Viterbi; Rabiner, "A tutorial on hidden
Markov models", Proc. IEEE 77, 1989, section IV.D): each note costs what its pitch is off and what
its length is unusual, a rise of the sound is a hint of a start, a note may be skipped, and between
notes there may be a wild stretch. The first passes are coarse and free, the last ones fine and near
what the first ones found, so that the work grows with the length of the take and no faster. After
each pass every finger on every string is expected where this player really puts it: a flat fourth
would break the path otherwise.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from lefthand.sound.pitch import HOP, PitchTrack, cents_of
from lefthand.sound.recording import Samples
from lefthand.sound.score import Score

SIGMA_CENTS = 35.0
DEAREST = 4.5  # three sigma
UNSOUND = 1.0  # of a frame without pitch in a note
WILD_SOUND, WILD_SILENCE = 1.6, 0.3
WILD_ENTER = 4.0
SKIP = 12.0
LENGTH_SIGMA = (0.6, 0.3, 0.3, 0.3)  # of each pass, in logarithm
SHORTEST, LONGEST = 0.3, 3.5  # of the expected length
RISE_DB = 10.0
RISE_WORTH = {True: 0.5, False: 2.5}  # slurred or not
BAND = 0.3  # s around what the pass before found
LARGEST_OFFSET = 90.0
QUICK = 0.15  # s: below it the coarse passes are half as coarse
CLEAR = 0.3  # weight from which a frame has a pitch
SURE_FROM, SURE_AT = 0.35, 0.8
FAR_BELOW = 40.0  # dB

Whole = NDArray[np.int64]
NOWHERE = np.inf


@dataclass(frozen=True, slots=True)
class Span:
    """Frames of one note of the drill, from `first` to the one before `end`."""

    first: int
    end: int

    @property
    def middle(self) -> slice:
        """Its two middle quarters, one frame at least."""
        quarter = (self.end - self.first) // 4
        return slice(self.first + quarter, max(self.end - quarter, self.first + quarter + 1))


@dataclass(frozen=True, slots=True)
class Alignment:
    """One span a note, None where it was not heard; cost: a frame, the mean over all notes."""

    spans: Sequence[Span | None]
    cost: float


def weights(track: PitchTrack) -> Samples:
    """How much the pitch of each frame counts, 0..1: by how periodic it is, and never in what is
    far below the rest."""
    weight = np.clip((track.sure - SURE_FROM) / (SURE_AT - SURE_FROM), 0, 1)
    return np.asarray(weight * (track.level > np.percentile(track.level, 95) - FAR_BELOW))


def align(score: Score, track: PitchTrack) -> Alignment:
    """The cheapest path; always one, however bad it is."""
    passes = _Passes(score, track)
    spacing = 1 / score.notes_a_second
    coarse = 2 if spacing < QUICK else 4
    found = passes.run(coarse, LENGTH_SIGMA[0], None)
    found = passes.run(coarse, LENGTH_SIGMA[1], None)
    for sigma in LENGTH_SIGMA[2:]:
        found = passes.run(1, sigma, found)
    return found


class _Passes:
    def __init__(self, score: Score, track: PitchTrack) -> None:
        self.score = score
        self.track = track
        self.weight = weights(track)
        self.targets = np.array([cents_of(score.hz(note.midi)) for note in score.notes])
        self.places = [(note.string, note.finger) for note in score.notes]
        self.offsets = np.zeros(len(score.notes))
        self.lengths = np.array([note.seconds for note in score.notes]) / HOP
        wild = np.where(self.weight > 0, WILD_SOUND, 0) * self.weight
        wild += WILD_SILENCE * (1 - self.weight)
        self.wild = np.concatenate([[0.0], np.cumsum(wild)])
        self.rise = _rises(track)

    def run(self, step: int, sigma: float, near: Alignment | None) -> Alignment:
        """One pass at every `step` frames; learns where the fingers are and how quick it goes."""
        found = _Path(self, step, sigma, near).best()
        self._learn(found)
        return found

    def costs(self, note: int) -> Samples:
        """The cost of the frames up to each one, in this note."""
        off = (self.track.cents - self.targets[note] - self.offsets[note]) / SIGMA_CENTS
        cost = self.weight * np.minimum(0.5 * off**2, DEAREST) + (1 - self.weight) * UNSOUND
        return np.asarray(np.concatenate([[0.0], np.cumsum(cost)]))

    def _learn(self, found: Alignment) -> None:
        heard: dict[tuple[int, int], list[float]] = {}
        ratios = []
        for place, target, length, span in zip(
            self.places, self.targets, self.lengths, found.spans, strict=True
        ):
            if span is None:
                continue
            ratios.append((span.end - span.first) / length)
            own = (self.track.cents[span.middle] - target)[self.weight[span.middle] > CLEAR]
            if len(own):
                heard.setdefault(place, []).append(float(np.median(own)))
        if ratios:
            self.lengths = self.lengths * float(np.median(ratios))
        for number, place in enumerate(self.places):
            if place in heard:
                off = float(np.median(heard[place]))
                self.offsets[number] = np.clip(off, -LARGEST_OFFSET, LARGEST_OFFSET)


def _rises(track: PitchTrack) -> Samples:
    """How much louder it is 15 ms after each boundary than 15 ms before, 0..1.5 for 10 dB each."""
    level = np.concatenate([[track.level[0]] * 3, track.level, [track.level[-1]] * 3])
    floor = np.percentile(track.level, 95) - FAR_BELOW
    level = np.maximum(level, floor)
    rise = (level[6:] - level[:-6]) / RISE_DB
    return np.asarray(np.clip(np.append(rise, 0.0), 0, 1.5))


class _Path:
    """One pass. Boundaries are counted in steps; `starts` and `ends` hold the least cost with which
    a note can start or end at each."""

    def __init__(self, passes: _Passes, step: int, sigma: float, near: Alignment | None) -> None:
        self.passes, self.step, self.sigma, self.near = passes, step, sigma, near
        self.count = len(passes.track) // step + 1
        self.wild = passes.wild[::step][: self.count]
        self.rise = passes.rise[::step][: self.count] * RISE_WORTH[passes.score.slurred]
        self.came: list[Whole] = []  # by note: the step where it started, for every end
        self.since: list[Whole] = []  # by note: the end before a start, -1 for a skip

    def best(self) -> Alignment:
        notes = range(len(self.passes.score.notes))
        starts = self.wild.copy()
        for note in notes:
            ends, came = self._ends(note, starts)
            self.came.append(came)
            starts, since = self._next_starts(ends, starts)
            self.since.append(since)
        total = starts + self.wild[-1] - self.wild
        return self._back(int(np.argmin(total)), float(np.min(total)))

    def _ends(self, note: int, starts: Samples) -> tuple[Samples, Whole]:
        costs = self.passes.costs(note)[:: self.step][: self.count]
        from_here = starts - costs - self.rise
        usual = max(1.0, self.passes.lengths[note] / self.step)
        low, high = max(1, int(SHORTEST * usual)), max(2, int(np.ceil(LONGEST * usual)))
        lengths = np.arange(low, high + 1)
        price = 0.5 * (np.log(lengths / usual) / self.sigma) ** 2
        first, last = self._band(note)
        padded = np.full(high + self.count, NOWHERE)
        padded[high + first : high + last] = from_here[first:last]
        ends = np.full(self.count, NOWHERE)
        came = np.zeros(self.count, dtype=np.int64)
        begin, stop = min(first + low, self.count), min(last + high, self.count)
        if begin >= stop:
            return ends, came
        # Row t, column n: the start that lies lengths[n] before t.
        windows = np.lib.stride_tricks.sliding_window_view(padded, high - low + 1)
        sums = windows[begin:stop, ::-1] + price
        best = np.argmin(sums, axis=1)
        ends[begin:stop] = sums[np.arange(stop - begin), best] + costs[begin:stop]
        came[begin:stop] = np.arange(begin, stop) - lengths[best]
        return ends, came

    def _band(self, note: int) -> tuple[int, int]:
        """Where this note may start."""
        if self.near is None:
            return 0, self.count
        half = BAND / HOP / self.step
        span = self.near.spans[note]
        early = late = 0 if span is None else span.first
        if span is None:
            before = [each.end for each in self.near.spans[:note] if each is not None]
            after = [each.first for each in self.near.spans[note:] if each is not None]
            early = before[-1] if before else 0
            late = after[0] if after else self.count * self.step
        first = max(0, int(early / self.step - half))
        last = min(self.count, int(late / self.step + half) + 1)
        return min(first, last), last

    def _next_starts(self, ends: Samples, starts: Samples) -> tuple[Samples, Whole]:
        """From an end: at once, or after a wild stretch; or from the start, with no note at all."""
        here = np.arange(self.count)
        after_wild = ends - self.wild
        least = np.minimum.accumulate(after_wild)
        is_new = after_wild <= least
        whence = np.maximum.accumulate(np.where(is_new, here, 0))
        wild = least + self.wild + WILD_ENTER
        found, since = ends.copy(), here.copy()
        goes_wild = wild < found
        found[goes_wild], since[goes_wild] = wild[goes_wild], whence[goes_wild]
        skips = starts + SKIP < found
        found[skips], since[skips] = starts[skips] + SKIP, -1
        return found, since

    def _back(self, at: int, total: float) -> Alignment:
        spans: list[Span | None] = []
        for note in reversed(range(len(self.came))):
            end = int(self.since[note][at])
            if end < 0:
                spans.append(None)
                continue
            first = int(self.came[note][end])
            spans.append(Span(first * self.step, end * self.step))
            at = first
        spans.reverse()
        heard = [span for span in spans if span is not None]
        inside = sum(span.end - span.first for span in heard)
        wild = self.passes.wild
        outside = sum(float(wild[b] - wild[a]) for a, b in self._gaps(heard))
        return Alignment(spans, (total - outside) / max(1, inside))

    def _gaps(self, heard: Sequence[Span]) -> list[tuple[int, int]]:
        """The stretches outside all notes."""
        edges = [0, *(edge for span in heard for edge in (span.first, span.end))]
        edges.append((self.count - 1) * self.step)
        return list(zip(edges[::2], edges[1::2], strict=True))
