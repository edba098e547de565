"""The pitch of every moment: YIN.

De Cheveigné and Kawahara, "YIN, a fundamental frequency estimator for speech and music", J. Acoust.
Soc. Am. 111, 2002: the difference of the sound and itself a lag later, divided by its mean over
smaller lags; the first dip under a threshold is the period. Two things are ours: the range is the
drill's, and the dip is looked up again at the largest multiple of the period up to 12 ms, which
makes high notes as exact as low ones.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from lefthand.sound.recording import Recording, Samples, good_size

HOP = 0.005  # s
THRESHOLD = 0.15
NEARLY_LEAST = 0.15
SHORTEST_WINDOW = 0.012  # s
PERIODS = 1.25  # of the lowest note in a window
FARTHEST_LAG = 0.012  # s
AROUND = 2 ** (3.2 / 12)  # the range looks three semitones beyond the drill
AT_ONCE = 512  # frames
SILENCE = 1e-12
LITTLE_LEFT_DB = 12.0
CLEAR = 0.7

Whole = NDArray[np.int64]


@dataclass(frozen=True, slots=True)
class PitchTrack:
    """One value every 5 ms. at: s, the middle of what was compared. cents above 1 Hz. sure: 0..1,
    1 for a perfectly periodic sound. level: dB of full scale. octave_up: share of `sure` that half
    the period has too."""

    at: Samples
    cents: Samples
    sure: Samples
    level: Samples
    octave_up: Samples

    def __len__(self) -> int:
        return len(self.at)


def cents_of(hz: float) -> float:
    """Cents above 1 Hz."""
    return float(1200 * np.log2(hz))


def window_seconds(lowest: float) -> float:
    """What is compared with itself, in a drill down to that many Hz."""
    return max(PERIODS / lowest, SHORTEST_WINDOW)


def lag_seconds(lowest: float) -> float:
    """About how far apart what is compared lies."""
    return max(1 / lowest, FARTHEST_LAG)


def track_beside(
    recording: Recording, lowest: float, highest: float, opened: Sequence[float]
) -> PitchTrack:
    """The same where these open strings, Hz, may sound beside the notes: with them cancelled, but
    for moments at which nothing clear is left."""
    plain = track_pitch(recording, lowest, highest)
    samples = recording.samples
    for hz in opened:
        samples = _without(samples, recording.rate / hz)
    alone = track_pitch(replace(recording, samples=samples), lowest, highest)
    # Of a unison nothing is left, and what is left of nothing has any pitch.
    is_left = alone.level > plain.level - LITTLE_LEFT_DB
    clear = is_left & (alone.sure >= np.minimum(plain.sure, CLEAR))
    cents = np.where(clear, alone.cents, plain.cents)
    sure = np.where(clear, alone.sure, plain.sure)
    at = np.where(clear, alone.at, plain.at)
    return replace(plain, at=np.maximum.accumulate(at), cents=cents, sure=sure)


def _without(samples: Samples, period: float) -> Samples:
    """The sound less itself a period before, which leaves nothing of what has that period."""
    whole = int(period)
    part = period - whole
    padded = np.concatenate([np.zeros(whole + 1), samples])
    count = len(samples)
    return samples - (1 - part) * padded[1 : count + 1] - part * padded[:count]


def track_pitch(recording: Recording, lowest: float, highest: float) -> PitchTrack:
    """Of notes between these two, Hz."""
    rate = recording.rate
    low, high = lowest / AROUND, min(highest * AROUND, 0.45 * rate)
    window = int(rate * window_seconds(lowest))
    shortest, longest = max(2, int(rate / high)), int(np.ceil(rate / low)) + 2
    farthest = max(longest, int(rate * FARTHEST_LAG)) + 4
    hop = HOP * rate
    padded = np.concatenate([np.zeros(window), recording.samples, np.zeros(window + farthest)])
    middle = (window + (shortest + longest) / 2) / 2
    count = int(len(recording.samples) / hop)
    starts = np.round(np.arange(count) * hop - middle).astype(np.int64) + window
    starts = np.maximum(starts, 0)
    parts = [
        _periods(padded, starts[part], window, farthest, (shortest, longest))
        for part in _parts(count)
    ]
    period, sure, power, octave = (np.concatenate(each) for each in zip(*parts, strict=True))
    at = (starts - window + (window + period) / 2) / rate
    cents = 1200 * np.log2(rate / period)
    level = 10 * np.log10(power + SILENCE)
    return PitchTrack(at, cents, sure, level, octave)


def _parts(count: int) -> Iterator[slice]:
    for first in range(0, count, AT_ONCE):
        yield slice(first, first + AT_ONCE)


def _periods(
    sound: Samples, starts: Whole, window: int, farthest: int, lags: tuple[int, int]
) -> tuple[Samples, Samples, Samples, Samples]:
    """Period in samples, how sure, power and octave doubt of each frame."""
    difference, power = _differences(sound, starts, window, farthest)
    sums = np.cumsum(difference, axis=1)
    lag = np.arange(1, difference.shape[1] + 1)
    # Column n holds lag n + 1.
    normed = difference * lag / np.maximum(sums, SILENCE)
    shortest, longest = lags
    best = _first_dip(normed[:, shortest - 1 : longest]) + shortest
    rows = np.arange(len(starts))
    sure = np.clip(1 - normed[rows, best - 1], 0, 1)
    half = np.clip(1 - normed[rows, np.maximum(best // 2 - 1, 0)], 0, 1)
    half = np.maximum(half, np.clip(1 - normed[rows, best // 2], 0, 1))
    period = _refined(difference, best.astype(np.float64), 1)
    for reach in (farthest // 3, farthest - 4):
        multiple = np.maximum(1, np.floor(reach / period))
        period = _refined(difference, period * multiple, multiple)
    return np.clip(period, 2, None), sure, power, half


def _differences(
    sound: Samples, starts: Whole, window: int, farthest: int
) -> tuple[Samples, Samples]:
    """d(lag) for lags 1..farthest, and the mean power of the window."""
    frames = sound[starts[:, None] + np.arange(window + farthest)]
    size = good_size(2 * window + farthest)
    near = np.fft.rfft(frames[:, :window], size)
    products = np.fft.irfft(np.conj(near) * np.fft.rfft(frames, size), size)[:, : farthest + 1]
    squares = np.concatenate([np.zeros((len(starts), 1)), np.cumsum(frames**2, axis=1)], axis=1)
    energy = squares[:, window : window + farthest + 1] - squares[:, : farthest + 1]
    difference = energy[:, :1] + energy - 2 * products
    return np.maximum(difference[:, 1:], 0), energy[:, 0] / window


def _first_dip(normed: Samples) -> Whole:
    """Column of the first local minimum that is under the threshold or nearly the least of all: in
    noise the least lies at any multiple of the period."""
    inner = normed[:, 1:-1]
    edge = np.maximum(THRESHOLD, normed.min(axis=1, keepdims=True) + NEARLY_LEAST)
    dips = (inner < edge) & (inner <= normed[:, :-2]) & (inner <= normed[:, 2:])
    first = np.argmax(dips, axis=1) + 1
    return np.asarray(np.where(dips.any(axis=1), first, np.argmin(normed, axis=1)))


def _refined(difference: Samples, near: Samples, multiple: Samples | int) -> Samples:
    """The least difference within three samples of these lags, by a parabola, over `multiple`."""
    columns = difference.shape[1]
    middle = np.clip(np.round(near).astype(np.int64) - 1, 4, columns - 5)
    rows = np.arange(len(difference))
    around = difference[rows[:, None], middle[:, None] + np.arange(-3, 4)]
    middle += np.argmin(around, axis=1) - 3
    left, centre, right = (difference[rows, middle + step] for step in (-1, 0, 1))
    bend = left - 2 * centre + right
    shift = np.where(bend > 0, 0.5 * (left - right) / np.where(bend > 0, bend, 1), 0.0)
    return np.asarray((middle + 1 + np.clip(shift, -1, 1)) / multiple)
