"""How well and how fast takes are measured, beside other trackers: `python -m bench.sound`.

The takes are recorded notes moved by known amounts: one long note of a sound font
(`lefthand.tests.sampled`: Debian's `fluidsynth` and `fluid-soundfont-gm`), and single notes of
players in packages of the npm registry (`lefthand.tests.recorded`). Praat's autocorrelation
(parselmouth) and librosa's pyin hear the same notes between the true starts, ours between its own.
The truth of a note is Praat's, taken before the note was moved, which favours Praat a little.
Starts are scored by `mir_eval`. Times are of one core.
"""

import os

os.environ["OPENBLAS_NUM_THREADS"] = "1"
os.environ["OMP_NUM_THREADS"] = "1"
os.environ["NUMBA_NUM_THREADS"] = "1"

import resource
import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from itertools import chain

import librosa
import mir_eval
import numpy as np
import parselmouth

from lefthand.sound.pitch import cents_of, track_pitch
from lefthand.sound.recording import Recording
from lefthand.sound.score import Score
from lefthand.sound.take import measure_take
from lefthand.tests.recorded import are_here, recorded_take
from lefthand.tests.sampled import RATE, SampledTake, is_here, sampled_take
from lefthand.tests.takes import at_speed, score

SOURCES = {
    "one long note of a sound font": (sampled_take, ("vn", "va", "vc", "db")),
    "single notes of players": (recorded_take, ("vn", "vc", "db")),
}
SPEEDS = (2, 4, 8)
ROOMS = {"usual": 0.35, "much": 0.6}
HOP = 0.005  # s
SLACK = 2 ** (3 / 12)  # what a tracker may search beyond the drill
PYIN_PERIODS = 4  # of the lowest note in a frame, as its authors' defaults come to
BARS = 16
OFF = {1: 3.3, 2: -4.7, 3: 6.1, 4: -13.4}  # cents, off every grid of pitches a tracker may have
LENGTHS = (10, 20, 40, 60)  # s

Heard = tuple[np.ndarray, np.ndarray]  # s, Hz with nan where unvoiced


@dataclass
class Errors:
    """Cents of each note, by tracker; seconds of work and of sound; F of starts by window in s."""

    cents: dict[str, list[float]] = field(default_factory=dict)
    work: dict[str, float] = field(default_factory=dict)
    sound: float = 0.0
    starts: dict[float, list[float]] = field(default_factory=dict)


def praat(recording: Recording, of: Score) -> Heard:
    found = parselmouth.Sound(recording.samples, recording.rate).to_pitch_ac(
        time_step=HOP, pitch_floor=of.lowest_hz / SLACK, pitch_ceiling=of.highest_hz * SLACK
    )
    hz = found.selected_array["frequency"]
    return found.xs(), np.where(hz > 0, hz, np.nan)


def pyin(recording: Recording, of: Score) -> Heard:
    least = of.lowest_hz / SLACK
    frame = int(2 ** np.ceil(np.log2(PYIN_PERIODS * recording.rate / least)))
    hop = int(HOP * recording.rate)
    hz, _, _ = librosa.pyin(
        recording.samples.astype(np.float64),
        fmin=least,
        fmax=of.highest_hz * SLACK,
        sr=recording.rate,
        frame_length=frame,
        hop_length=hop,
    )
    return np.arange(len(hz)) * hop / recording.rate, hz


def note_cents(heard: Heard, made: SampledTake, of: Score, gaps: np.ndarray) -> np.ndarray:
    """Against the drill, by the median of what is steady in each note; nan where nothing is."""
    at, hz = heard
    found = np.full(len(of.notes), np.nan)
    for place, note in enumerate(of.notes):
        begins, length = made.onsets[place], gaps[place]
        inside = (at > begins + max(0.025, 0.25 * length)) & (
            at < begins + length - max(0.015, 0.1 * length)
        )
        known = hz[inside & ~np.isnan(hz)]
        if len(known):
            found[place] = np.median(1200 * np.log2(known)) - cents_of(of.hz(note.midi))
    return found


@contextmanager
def timed(errors: Errors, name: str) -> Iterator[None]:
    start = time.perf_counter()
    yield
    errors.work[name] = errors.work.get(name, 0.0) + time.perf_counter() - start


def drilled(instrument: str, speed: int) -> Score:
    return at_speed(score("frame_pattern", instrument, 60, BARS, 2, 1), speed)


def hear(errors: Errors, of: Score, made: SampledTake, gaps: np.ndarray) -> None:
    errors.sound += made.recording.seconds
    with timed(errors, "ours"):
        track_pitch(made.recording, of.lowest_hz, of.highest_hz)
    with timed(errors, "whole take"):
        take = measure_take(made.recording, of)
    ours = np.full(len(of.notes), np.nan)
    for note in take.notes:
        ours[note.place] = note.cents
    notes = {"ours": ours}
    for name, tracker in (("praat", praat), ("pyin", pyin)):
        with timed(errors, name):
            heard = tracker(made.recording, of)
        notes[name] = note_cents(heard, made, of, gaps)
    for name, found in notes.items():
        errors.cents.setdefault(name, []).extend(np.abs(found - made.cents))
    for window in (0.05, 0.025):
        told = np.sort([note.at for note in take.notes])
        errors.starts.setdefault(window, []).append(
            mir_eval.onset.f_measure(made.onsets, told, window=window)[0]
        )


def growth() -> Iterator[str]:
    of = at_speed(score("frame_pattern", "db", 60, BARS, 2, 1), 2)
    usual = len(of.notes) / 2  # s
    for length in LENGTHS:
        bars = max(1, round(BARS * length / usual))
        longer = at_speed(score("frame_pattern", "db", 60, bars, 2, 1), 2)
        sound = sampled_take(longer, np.full(len(longer.notes), 0.5)).recording
        start = time.perf_counter()
        measure_take(sound, longer)
        spent = time.perf_counter() - start
        each = 10 * spent / sound.seconds
        yield f"  {sound.seconds:5.1f} s of bass: {spent:.2f} s, {each:.2f} s per 10 s"


def heard(source: str, instrument: str, echo: float) -> Errors:
    errors = Errors()
    for speed in SPEEDS:
        of = drilled(instrument, speed)
        gaps = np.full(len(of.notes), 1.0 / speed)
        take = SOURCES[source][0](of, gaps, off=OFF, reverberation=echo, seed=1)
        hear(errors, of, take, gaps)
    return errors


def table(source: str) -> Iterator[str]:
    for room, echo in ROOMS.items():
        yield f"{source}, {room} room, {SPEEDS} notes a second:"
        for instrument in SOURCES[source][1]:
            errors = heard(source, instrument, echo)
            told = []
            for name, found in errors.cents.items():
                middle, high = np.nanmedian(found), np.nanpercentile(found, 95)
                spent = 10 * errors.work[name] / errors.sound
                missing = f", {100 * np.isnan(found).mean():.0f} % unheard"
                told.append(f"{name} {middle:.1f} to {high:.1f} cents{missing}, {spent:.1f} s")
            yield f"  {instrument}: {'; '.join(told)} (middle and 95th of 100, a 10 s take)"
            windows = ", ".join(
                f"{1000 * window:.0f} ms F {np.mean(scores):.3f}"
                for window, scores in errors.starts.items()
            )
            whole = 10 * errors.work["whole take"] / errors.sound
            yield f"      starts within {windows}; a whole take of 10 s in {whole:.1f} s"


def memory() -> Iterator[str]:
    most = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    yield f"  most memory of this whole run, with the other trackers: {most:.0f} MB"


def main() -> int:
    if not is_here():
        print("jolf: fluidsynth and fluid-soundfont-gm are needed", file=sys.stderr)
        return 2
    librosa.pyin(np.zeros(RATE), fmin=200, fmax=400, sr=RATE)  # compiled before it is timed
    sources = [name for name, (made, _) in SOURCES.items() if made is sampled_take or are_here()]
    for line in chain(*map(table, sources), growth(), memory()):
        print(line, flush=True)
    return 0


if __name__ == "__main__":
    sys.exit(main())
