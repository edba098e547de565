"""Whether the open string beside a stopped note sounds.

Only partials of the open string count that lie half a semitone or more from every partial of the
stopped note. It sounds where the best four of them stand 10 dB above the local floor, the median of
the spectrum around them. Where fewer than two such partials exist it cannot be told.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from lefthand.sound.notes import HeardNote, steady
from lefthand.sound.recording import Recording, Samples
from lefthand.sound.score import Score

APART_CENTS = 50.0
BEST = 4
FEWEST = 2
ABOVE_FLOOR_DB = 10.0
HIGHEST_HZ = 8000.0
MOST_PARTIALS = 30
SHORTEST_WINDOW = 0.15  # s
PERIODS = 16  # of the open string in a window


@dataclass(frozen=True, slots=True)
class Ringing:
    """share of the note in which the open string sounded, 0..1; None where it cannot be told."""

    place: int
    share: float | None


def ringing(recording: Recording, score: Score, notes: Sequence[HeardNote]) -> list[Ringing]:
    """Of every note that is bowed with an open string."""
    found = []
    for note in notes:
        played = score.notes[note.place]
        if played.beside is None:
            continue
        stopped = score.hz(played.midi + note.cents / 100)
        partials = _free_partials(score.hz(played.beside), stopped)
        share = _share(recording, note, partials, score.hz(played.beside))
        found.append(Ringing(note.place, share))
    return found


def _free_partials(opened: float, stopped: float) -> list[float]:
    free = []
    for number in range(1, MOST_PARTIALS + 1):
        hz = number * opened
        nearest = max(1, round(hz / stopped)) * stopped
        if hz < HIGHEST_HZ and abs(1200 * np.log2(hz / nearest)) >= APART_CENTS:
            free.append(hz)
    return free


def _share(
    recording: Recording, note: HeardNote, partials: Sequence[float], opened: float
) -> float | None:
    usable = [hz for hz in partials if hz < 0.45 * recording.rate]
    if len(usable) < FEWEST:
        return None
    sounding = [
        _stands_out(spectrum, step, usable) for spectrum, step in _spectra(recording, note, opened)
    ]
    return float(np.mean(sounding)) if sounding else None


def _spectra(
    recording: Recording, note: HeardNote, opened: float
) -> Iterator[tuple[Samples, float]]:
    rate = recording.rate
    size = int(rate * max(SHORTEST_WINDOW, PERIODS / opened))
    first, last = (int(rate * at) for at in steady(note.at, note.at + note.seconds))
    window = np.hanning(size)
    padded = 2 * size
    for begin in range(first, last - size + 1, size // 2):
        part = recording.samples[begin : begin + size]
        if len(part) == size:
            spectrum = np.abs(np.fft.rfft(part * window, padded)) ** 2
            yield 10 * np.log10(spectrum + 1e-15), rate / padded


def _stands_out(spectrum: Samples, step: float, partials: Sequence[float]) -> bool:
    heights = []
    for hz in partials:
        middle = round(hz / step)
        near = spectrum[max(0, middle - 2) : middle + 3]
        around = spectrum[max(0, middle - 30) : middle + 31]
        if len(near):
            heights.append(float(near.max() - np.percentile(around, 40)))
    best = sorted(heights, reverse=True)[:BEST]
    return bool(best and np.mean(best) >= ABOVE_FLOOR_DB and min(best) >= ABOVE_FLOOR_DB / 2)
