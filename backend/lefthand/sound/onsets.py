"""When each note begins, to a millisecond or two.

A slurred start is the middle of the glide. It is where the sound with the old note cancelled
overtakes the sound with the new one cancelled (each by a comb of one period, as in de Cheveigné,
"Separation of concurrent harmonic sounds", J. Acoust. Soc. Am. 93, 1993): the tail of the old note
in a room is cancelled with it. Where that cannot be told it is where the pitch passes half way,
which a room makes late. A start with a bow of its own is where the level has risen by a fifth from
its trough; where the pitch changes too it is the middle one of that, of the change of pitch and of
the path's own boundary.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from lefthand.sound.alignment import CLEAR, Span, weights
from lefthand.sound.pitch import HOP, PitchTrack
from lefthand.sound.recording import Recording, Samples
from lefthand.sound.score import Score

AROUND = 0.045  # s, where a start is looked for on either side
QUIET_PART = 0.2  # of a rise in dB
LEVEL_WINDOW = 0.006  # s
LEVEL_HOP = 0.001  # s
COMB_WINDOW = 0.006  # s
PART_OF_NOTE = 0.42
SHORTEST_REACH, LONGEST_REACH = 0.03, 0.09  # s
UNCLEAR, STILL_CLEAR = 0.7, 0.87
MASKED = 0.02  # s
MASK_ENDS = 0.02  # s after which it has nothing to do with this start
LEAST_RISE = 1.0  # natural logarithm of power
JOINS = 2  # frames
FARTHEST_REACH = 0.15  # s
OTHER_CENTS = 80.0  # less is no other finger
SAME_CENTS = 40.0  # two notes this near have no glide between them
LOUDER_DB = 3.0
HAIR = 1e-9


@dataclass(frozen=True, slots=True)
class Start:
    """at: s. spread: s that the two ways differ, a hint of doubt. slurred: told by its pitch, else
    by its level."""

    at: float
    spread: float
    slurred: bool


def note_starts(
    recording: Recording, track: PitchTrack, score: Score, spans: Sequence[Span | None]
) -> list[Start | None]:
    """One a note; None where it was not heard."""
    finder = StartFinder(recording, track, score, spans)
    return [finder.start(number) for number in range(len(spans))]


class StartFinder:
    """Where the notes of a take begin; spans: one a note, None where it was not heard."""

    def __init__(
        self, recording: Recording, track: PitchTrack, score: Score, spans: Sequence[Span | None]
    ) -> None:
        self.recording, self.track, self.score, self.spans = recording, track, score, spans
        self.weight = weights(track)
        self.level_at, self.level = _levels(recording)

    def start(self, number: int) -> Start | None:
        span = self.spans[number]
        if span is None:
            return None
        near = float(self.track.at[min(span.first, len(self.track) - 1)])
        before = self.spans[number - 1] if number else None
        if before is None or span.first - before.end > JOINS:
            return self._bowed(near)
        by_pitch = self._slurred(before, span, near)
        if by_pitch is not None and self.score.slurred and self.score.notes[number - 1].bound:
            return by_pitch
        by_level = self._bowed(near)
        if by_pitch is None:
            return by_level
        middle = sorted((near, by_level.at, by_pitch.at))[1]
        return Start(middle, by_level.spread, slurred=False)

    def late(self, number: int, apart: float) -> float | None:
        """s from where its bow begins to where its pitch is its own, negative where the pitch comes
        first; None where that cannot be told, or more than `apart` s lie between it and the note
        before."""
        before, span = self.spans[number - 1], self.spans[number]
        if before is None or span is None or (span.first - before.end) * HOP > apart:
            return None
        old, new = self._settled(before), self._settled(span)
        if old is None or new is None or abs(new - old) < OTHER_CENTS:
            return None
        near = float(self.track.at[min(span.first, len(self.track) - 1)])
        shorter = HOP * min(before.end - before.first, span.end - span.first)
        reach = float(np.clip(PART_OF_NOTE * shorter, SHORTEST_REACH, FARTHEST_REACH))
        by_pitch = self._cancelled(old, new, near, reach)
        by_level = self._bowed(near, reach, reach)
        if by_pitch is None or not by_level.spread:
            return None
        return by_pitch - by_level.at

    def _settled(self, span: Span) -> float | None:
        """Cents of the middle of a note."""
        sure = self.weight[span.middle] > CLEAR
        return float(np.median(self.track.cents[span.middle][sure])) if sure.any() else None

    def _slurred(self, before: Span, span: Span, near: float) -> Start | None:
        old, new = self._settled(before), self._settled(span)
        if old is None or new is None or abs(new - old) < SAME_CENTS:
            return None
        reach = self._reach(before, span)
        crossed = self._half_way(old, new, near)
        cancelled = self._cancelled(old, new, near, reach)
        told = [way for way in (cancelled, crossed) if way is not None]
        if not told:
            return None
        masked = self._masked(told[0], reach)
        if masked is not None:
            return Start(masked, abs(told[0] - masked), slurred=True)
        return Start(told[0], abs(told[0] - told[-1]), slurred=True)

    def _masked(self, late: float, reach: float) -> float | None:
        """Where the tail of the old note covers the new one for a while the sound is neither: then
        the note began when the old pitch stopped being clear. None where nothing is covered."""
        first, last = np.searchsorted(self.track.at, [late - reach, late + MASK_ENDS])
        at, sure = self.track.at[first:last], self.track.sure[first:last]
        unclear = np.flatnonzero(sure < UNCLEAR)
        if len(unclear) < MASKED / HOP:
            return None
        begins = unclear[0]
        while begins > 0 and sure[begins - 1] < STILL_CLEAR:
            begins -= 1
        return float(at[begins])

    def _reach(self, before: Span, span: Span) -> float:
        """s around a boundary that lie in the two notes beside it."""
        shorter = HOP * min(before.end - before.first, span.end - span.first)
        return float(np.clip(PART_OF_NOTE * shorter, SHORTEST_REACH, LONGEST_REACH))

    def _window(self, near: float) -> slice:
        first = int(np.searchsorted(self.track.at, near - AROUND))
        last = int(np.searchsorted(self.track.at, near + AROUND))
        return slice(first, last)

    def _half_way(self, old: float, new: float, near: float) -> float | None:
        """The crossing nearest to the path's own boundary."""
        part = self._window(near)
        at, share = self.track.at[part], (self.track.cents[part] - old) / (new - old) - 0.5
        crossing = np.flatnonzero((share[:-1] < 0) & (share[1:] >= 0) & (share[1:] < 2))
        if len(crossing) == 0:
            return None
        times = at[crossing] + (at[crossing + 1] - at[crossing]) * (
            -share[crossing] / (share[crossing + 1] - share[crossing])
        )
        return float(times[np.argmin(np.abs(times - near))])

    def _cancelled(self, old: float, new: float, near: float, reach: float) -> float | None:
        """Where what is left without the old note overtakes what is left without the new one."""
        rate = self.recording.rate
        without_old = self._left_without(rate / 2 ** (old / 1200), near, reach)
        without_new = self._left_without(rate / 2 ** (new / 1200), near, reach)
        if without_old is None or without_new is None:
            return None
        at = without_old[0]
        ratio = np.log(without_old[1] + HAIR) - np.log(without_new[1] + HAIR)
        change = _change_point(ratio)
        low, high = np.median(ratio[:change]), np.median(ratio[change:])
        if high - low < LEAST_RISE:
            return None
        share = ratio - (low + high) / 2
        crossing = np.flatnonzero((share[:-1] < 0) & (share[1:] >= 0))
        if len(crossing) == 0:
            return None
        return float(at[crossing[np.argmin(np.abs(crossing - change))]])

    def _left_without(
        self, period: float, near: float, reach: float
    ) -> tuple[Samples, Samples] | None:
        """Power of the sound less itself a period before, by time of the middle of both."""
        rate, sound = self.recording.rate, self.recording.samples
        half, middle, whole = int(reach * rate), int(near * rate), int(np.floor(period))
        size = max(3, int(max(COMB_WINDOW * rate, period)))
        first, last = middle - half - size, middle + half + size
        if first - whole - 2 < 0 or last >= len(sound):
            return None
        here = np.arange(first, last)
        part = period - whole
        delayed = (1 - part) * sound[here - whole] + part * sound[here - whole - 1]
        left = (sound[here] - delayed) ** 2
        smooth = np.convolve(left, np.hanning(size + 2)[1:-1] / (size / 2), mode="same")
        inner = slice(size, len(here) - size)
        return (here[inner] - period / 2) / rate, smooth[inner]

    def _bowed(self, near: float, early: float = AROUND, later: float = 1.5 * AROUND) -> Start:
        """From the trough before it to the first top after it, so many s about a place."""
        first, last = np.searchsorted(self.level_at, [near - early, near + later])
        level = self.level[first:last]
        if len(level) < 5:
            return Start(near, 0.0, slurred=False)
        rises = np.maximum.accumulate(level[::-1])[::-1] - level
        trough = int(np.argmax(rises))
        top = trough + int(np.argmax(level[trough:]))
        if level[top] - level[trough] < LOUDER_DB:
            return Start(near, 0.0, slurred=False)
        edge = level[trough] + QUIET_PART * (level[top] - level[trough])
        over = trough + int(np.argmax(level[trough : top + 1] >= edge))
        return Start(float(self.level_at[first + over]), HOP / 2, slurred=False)


def _levels(recording: Recording) -> tuple[Samples, Samples]:
    """Times and dB, one value a millisecond."""
    rate = recording.rate
    size = max(3, int(LEVEL_WINDOW * rate))
    sums = np.concatenate([[0.0], np.cumsum(recording.samples**2)])
    starts = np.arange(0, len(recording.samples) - size, max(1, int(LEVEL_HOP * rate)))
    power = (sums[starts + size] - sums[starts]) / size
    return (starts + size / 2) / rate, 10 * np.log10(np.maximum(power, 0) + 1e-12)


def _change_point(values: Samples) -> int:
    """Where a step fits a curve best by least squares."""
    count = len(values)
    before = np.cumsum(values)[:-1]
    sizes = np.arange(1, count)
    gained = (before - sizes * values.mean()) ** 2 / (sizes * (count - sizes))
    rising = before / sizes < (values.sum() - before) / (count - sizes)
    return int(np.argmax(np.where(rising, gained, 0))) + 1
