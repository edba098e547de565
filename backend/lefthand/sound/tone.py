"""Where the tone breaks: harmonics to noise, against the rest of the same note.

Harmonics-to-noise from the tracker's own aperiodicity a as 10 log10((1 - a) / a) dB (as Boersma,
"Accurate short-term analysis of the fundamental frequency and the harmonics-to-noise ratio", Proc.
Inst. Phon. Sci. Amsterdam 17, 1993, does from the correlation). Levels differ by room and
microphone, so the edge lies half way between a note's own median and its least clear 80 ms, if
these are ten dB apart. A break lasts 80 ms.
"""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from lefthand.sound.notes import HeardNote
from lefthand.sound.pitch import HOP, PitchTrack
from lefthand.sound.recording import Samples
from lefthand.sound.score import Score

LEAST_SPREAD_DB = 10.0
HELD = 0.08  # s
JOIN = 0.1  # s between two breaks that are one
SMOOTH = 9  # frames
TOP_DB = 40.0
SOUNDING_DB = 12.0
AWAY = 0.1  # s
LONG_NOTE = 1.0  # s at the drill's tempo


@dataclass(frozen=True, slots=True)
class Break:
    """From when to when the tone was broken, s."""

    begins: float
    ends: float


def clearness(track: PitchTrack) -> Samples:
    """Harmonics to noise of each frame, dB, the median of nine frames."""
    rough = np.clip(1 - track.sure, 10 ** (-TOP_DB / 10), 0.999)
    values = 10 * np.log10((1 - rough) / rough)
    padded = np.pad(values, SMOOTH // 2, mode="edge")
    windows = np.lib.stride_tricks.sliding_window_view(padded, SMOOTH)
    return np.asarray(np.median(windows, axis=1))


def breaks(score: Score, track: PitchTrack, notes: Sequence[HeardNote]) -> list[Break]:
    """Inside the notes of a second and more, away from their joints, and in what sounds on after
    one: a tone that breaks has no pitch, so that its note seems to end there."""
    clear = clearness(track)
    sounds = track.level > np.percentile(track.level, 90) - SOUNDING_DB
    found: list[Break] = []
    for number, note in enumerate(notes):
        if score.notes[note.place].seconds < LONG_NOTE:
            continue
        following = notes[number + 1].at if number + 1 < len(notes) else np.inf
        inside = (track.at > note.at + AWAY) & (track.at < following - AWAY)
        silent = np.flatnonzero(inside & ~sounds & (track.at > note.at + note.seconds - AWAY))
        if len(silent):
            inside &= track.at < track.at[silent[0]] - AWAY
        if inside.sum() >= 3 * HELD / HOP:
            found += _in_note(track.at[inside], clear[inside])
    return found


def _in_note(at: Samples, clear: Samples) -> list[Break]:
    low, high = np.sort(clear)[: int(HELD / HOP)].mean(), np.median(clear)
    if high - low < LEAST_SPREAD_DB:
        return []
    return _runs(at, clear < (low + high) / 2)


def _runs(at: Samples, below: np.ndarray) -> list[Break]:
    edges = np.flatnonzero(np.diff(np.concatenate([[0], below.astype(np.int8), [0]])))
    joined: list[list[float]] = []
    for first, last in edges.reshape(-1, 2):
        begins, ends = float(at[first]), float(at[last - 1])
        if joined and begins - joined[-1][1] < JOIN:
            joined[-1][1] = ends
        else:
            joined.append([begins, ends])
    return [Break(begins, ends) for begins, ends in joined if ends - begins >= HELD]
