"""Takes made of single recorded notes of people who play, set into drills by known amounts.

The notes are those of three packages of the npm registry (samples CC BY 3.0, edited for sampling
players); the bench installs them. Each note of a drill is the nearest recorded one, played faster
or slower sample by sample until its pitch is where the take wants it; what its pitch was before is
told by Praat (parselmouth). A note that begins a bow brings its own attack; a slurred one is cut
into the steady tone and faded over.
"""

import re
from functools import cache
from pathlib import Path

import numpy as np
import parselmouth
import soundfile

from lefthand.sound.bowed import in_room, pink_noise
from lefthand.sound.pitch import cents_of
from lefthand.sound.recording import recording_of
from lefthand.tests.sampled import STEP, LongNote, SampledTake, places_in
from lefthand.values.vocabulary import Instrument

PACKAGES = Path(__file__).parents[2] / "bench" / "notes" / "node_modules"
NAMES = {Instrument.VIOLIN: "violin", Instrument.CELLO: "cello", Instrument.BASS: "contrabass"}
NOTE = re.compile(r"^([A-G])(s?)(\d)$")
LETTERS = {"C": 0, "D": 2, "E": 4, "F": 5, "G": 7, "A": 9, "B": 11}
RATE = 44_100
STEADY = 0.35  # s into a note
MOST_HEARD = 2.4  # s
BEGINS, ENDS, FADES = 0.004, 0.03, 0.016  # s


def are_here():
    return PACKAGES.is_dir()


@cache
def files_of(instrument: Instrument) -> dict[int, Path]:
    """By the MIDI number that each file has in its name."""
    folder = PACKAGES / f"tonejs-instrument-{NAMES[instrument]}-wav"
    named = [(NOTE.match(path.stem), path) for path in sorted(folder.glob("*.wav"))]
    return {_midi(name): path for name, path in named if name is not None}


def _midi(name):
    return LETTERS[name[1]] + len(name[2]) + 12 * (int(name[3]) + 1)


@cache
def nearest_note(instrument: Instrument, wanted: int) -> LongNote:
    files = files_of(instrument)
    midi = min(files, key=lambda each: abs(each - wanted))
    samples, rate = soundfile.read(files[midi], always_2d=True)
    if rate != RATE:
        raise ValueError(f"{files[midi].name}: {rate} Hz")
    heard = samples[: int(MOST_HEARD * RATE)].mean(axis=1)
    return _heard_by_praat(heard, 440 * 2 ** ((midi - 69) / 12))


def _heard_by_praat(samples, hz):
    praat = parselmouth.Sound(samples, RATE).to_pitch_ac(
        time_step=STEP, pitch_floor=hz / 1.4, pitch_ceiling=hz * 1.4, very_accurate=True
    )
    found = praat.selected_array["frequency"]
    known = found > 0
    return LongNote(samples, praat.xs()[known], 1200 * np.log2(found[known]))


def recorded_take(score, spacings, *, off=None, reverberation=0.35, noise=25.0, seed=1):
    """spacings: s between starts, one a note. off: cents by finger."""
    onsets = 0.5 + np.concatenate([[0.0], np.cumsum(spacings[:-1])])
    end = float(onsets[-1] + spacings[-1])
    samples = np.zeros(int((end + 1.0) * RATE))
    bound = [note.bound for note in score.notes]
    for number, (note, onset) in enumerate(zip(score.notes, onsets, strict=True)):
        is_slurred = number > 0 and bound[number - 1]
        length = spacings[number] + FADES
        source = nearest_note(score.instrument, note.midi)
        goal = cents_of(score.hz(note.midi)) + (off or {}).get(note.finger, 0.0)
        piece = _moved(source, goal, length, STEADY if is_slurred else 0.0)
        rises, falls = (FADES if is_slurred else BEGINS), (FADES if bound[number] else ENDS)
        at = np.arange(len(piece)) / RATE
        piece *= np.clip(at / rises, 0, 1) * np.clip((length - at) / falls, 0, 1)
        first = int((onset - (FADES / 2 if is_slurred else 0.0)) * RATE)
        samples[first : first + len(piece)] += piece
    draw = np.random.default_rng(seed)
    sound = in_room(samples, RATE, reverberation, draw)
    level = np.sqrt(np.mean(sound[RATE // 2 : int(end * RATE)] ** 2))
    sound = 0.2 * (sound / level + pink_noise(len(sound), RATE, draw) * 10 ** (-noise / 20))
    truth = np.array([(off or {}).get(note.finger, 0.0) for note in score.notes])
    return SampledTake(recording_of(sound, RATE), onsets, truth)


def _moved(source, goal, length, begins):
    """So much of a recorded note at one pitch (cents above 1 Hz), equally loud as all others."""
    curve = np.full(int(length / STEP) + 2, goal)
    place, _ = places_in(source, curve, calm=True, begins=begins)
    at = np.arange(int(length * RATE)) / RATE
    spots = np.interp(at, STEP * np.arange(len(place)), place) * RATE
    piece = np.interp(spots, np.arange(len(source.samples)), source.samples)
    return piece / max(1e-6, np.sqrt(np.mean(piece**2)))
