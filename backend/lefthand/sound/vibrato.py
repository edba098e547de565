"""Vibrato of held notes: how fast, how wide, about which pitch.

A sine on a slow curve is fitted to the pitch of the note by least squares, over a grid of rates;
the width is the median of such fits over a cycle and a quarter, widened by what the tracker
smooths away: it compares two windows a lag apart, each of some length, so a sine of rate r comes
out smaller by sinc(r lag) sinc(r window). Where the fit is poor or the width below six cents there
is none.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from lefthand.sound.alignment import CLEAR, weights
from lefthand.sound.notes import HeardNote, steady
from lefthand.sound.pitch import PitchTrack, lag_seconds, window_seconds
from lefthand.sound.recording import Samples
from lefthand.sound.score import Score

SLOWEST, FASTEST = 3.0, 9.0  # Hz
RATE_STEP = 0.05
SHORTEST_NOTE = 0.8  # s
CYCLES = 1.25
NARROWEST = 6.0  # cents
POOREST_FIT = 0.4  # share of the wander that the fit explains


@dataclass(frozen=True, slots=True)
class FoundVibrato:
    """rate in Hz, width from lowest to highest and centre against the drill in cents; over `notes`
    notes. width 0 where there is none."""

    rate: float
    width: float
    centre: float
    notes: int


def by_finger(
    score: Score, track: PitchTrack, notes: Sequence[HeardNote]
) -> dict[int, FoundVibrato]:
    """Of every finger that held a note of 0.8 s or more."""
    weight = weights(track)
    own: dict[int, list[tuple[float, float, float]]] = {}
    for note in notes:
        played = score.notes[note.place]
        if note.seconds < SHORTEST_NOTE or played.finger == 0:
            continue
        first, last = np.searchsorted(track.at, steady(note.at, note.at + note.seconds))
        known = weight[first:last] > CLEAR
        if known.mean() < 0.7:
            continue
        at, cents = track.at[first:last][known], track.cents[first:last][known]
        rate, width = _one(at, cents, score.lowest_hz)
        own.setdefault(played.finger, []).append((rate, width, note.cents))
    return {finger: _together(each) for finger, each in sorted(own.items())}


def _together(each: Sequence[tuple[float, float, float]]) -> FoundVibrato:
    rates = [rate for rate, width, _ in each if width > 0]
    return FoundVibrato(
        rate=float(np.median(rates)) if rates else 0.0,
        width=float(np.median([width for _, width, _ in each])),
        centre=float(np.median([centre for _, _, centre in each])),
        notes=len(each),
    )


def _one(at: Samples, cents: Samples, lowest: float) -> tuple[float, float]:
    """Rate and width of one note; 0, 0 for none."""
    calm = cents - np.polyval(np.polyfit(at - at[0], cents, 2), at - at[0])
    total = float(np.sum(calm**2))
    if total <= 0:
        return 0.0, 0.0
    rates = np.arange(SLOWEST, FASTEST, RATE_STEP)
    left = _left_by_rate(at, cents, rates)
    best = int(np.argmin(left))
    rate = float(rates[best])
    if not 0 < best < len(rates) - 1 or 1 - left[best] / total < POOREST_FIT:
        return 0.0, 0.0
    before, here, after = left[best - 1 : best + 2]
    rate += RATE_STEP * 0.5 * (before - after) / (before - 2 * here + after)
    width = _width(at, cents, rate) / _smoothing(rate, lowest)
    return (rate, width) if width >= NARROWEST else (0.0, 0.0)


def _left_by_rate(at: Samples, cents: Samples, rates: Samples) -> Samples:
    """The sum of squares that `_fit` leaves at each of these rates, (rates,), by the normal
    equations of all at once."""
    since = at - at[0]
    turns = 2 * np.pi * rates[:, None] * since
    slow = np.broadcast_to(since ** np.arange(3)[:, None], (len(rates), 3, len(at)))
    rows = np.concatenate([np.sin(turns)[:, None], np.cos(turns)[:, None], slow], axis=1)
    along = rows @ cents
    share = np.linalg.solve(rows @ rows.transpose(0, 2, 1), along[:, :, None])[:, :, 0]
    return np.asarray(np.sum(cents**2) - np.sum(along * share, axis=1))


def _width(at: Samples, cents: Samples, rate: float) -> float:
    stretch = CYCLES / rate
    widths = []
    for first in np.arange(at[0], at[-1] - stretch, stretch / 3):
        part = (at >= first) & (at < first + stretch)
        if part.sum() >= 12:
            widths.append(2 * _fit(at[part], cents[part], rate, slow=1)[0])
    return float(np.median(widths)) if widths else 2 * _fit(at, cents, rate)[0]


def _fit(at: Samples, cents: Samples, rate: float, slow: int = 2) -> tuple[float, float]:
    """Half the width and the sum of squares left by a sine on a curve of degree `slow`."""
    since = at - at[0]
    turn = 2 * np.pi * rate * since
    columns = [np.sin(turn), np.cos(turn), *(since**power for power in range(slow + 1))]
    basis = np.stack(columns, axis=1)
    found, *_ = np.linalg.lstsq(basis, cents, rcond=None)
    left = cents - basis @ found
    return float(np.hypot(found[0], found[1])), float(np.sum(left**2))


def _smoothing(rate: float, lowest: float) -> float:
    """The share of a sine's width that the tracker lets through, in a drill down to `lowest` Hz."""
    return float(np.sinc(rate * lag_seconds(lowest)) * np.sinc(rate * window_seconds(lowest)))
