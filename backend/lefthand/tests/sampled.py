"""Takes made of recorded notes of other people's instruments, moved by known amounts.

The notes come from the General MIDI sound font that Debian ships (`fluid-soundfont-gm`), rendered
by `fluidsynth`. One long note an octave wide at most is played faster and slower, sample by sample,
so that its pitch goes where the take wants it; what its pitch was before is told by Praat
(parselmouth), so that the truth never passes through the code under test.
"""

import shutil
import subprocess
import tempfile
from dataclasses import dataclass
from functools import cache
from itertools import pairwise
from pathlib import Path

import mido
import numpy as np
import parselmouth
import soundfile

from lefthand.sound.bowed import in_room, pink_noise
from lefthand.sound.pitch import cents_of
from lefthand.sound.recording import Recording, recording_of
from lefthand.values.vocabulary import Instrument

FONT = Path("/usr/share/sounds/sf2/FluidR3_GM.sf2")
PROGRAMS = {
    Instrument.VIOLIN: 40,
    Instrument.VIOLA: 41,
    Instrument.CELLO: 42,
    Instrument.BASS: 43,
}
RATE = 44_100
TICKS = 1000  # a second
LONGEST = 40  # s
STEP = 0.001  # s


def is_here() -> bool:
    return FONT.exists() and shutil.which("fluidsynth") is not None


@dataclass(frozen=True)
class LongNote:
    samples: np.ndarray
    at: np.ndarray  # s
    cents: np.ndarray  # above 1 Hz, at these times


@cache
def long_note(instrument: Instrument, midi: int) -> LongNote:
    with tempfile.TemporaryDirectory() as folder:
        song, sound = Path(folder) / "note.mid", Path(folder) / "note.wav"
        file = mido.MidiFile(ticks_per_beat=TICKS)
        track = mido.MidiTrack()
        file.tracks.append(track)
        track.append(mido.MetaMessage("set_tempo", tempo=1_000_000, time=0))
        track.append(mido.Message("program_change", program=PROGRAMS[instrument], time=0))
        track.append(mido.Message("note_on", note=midi, velocity=90, time=0))
        track.append(mido.Message("note_off", note=midi, time=(LONGEST + 2) * TICKS))
        file.save(song)
        command = ["fluidsynth", "-ni", "-R", "0", "-C", "0", "-g", "0.6", "-r", str(RATE)]
        subprocess.run([*command, "-F", sound, FONT, song], check=True, capture_output=True)
        samples = soundfile.read(sound, always_2d=True)[0].mean(axis=1)
    samples = samples[RATE : RATE * (LONGEST + 1)]
    hz = 440 * 2 ** ((midi - 69) / 12)
    praat = parselmouth.Sound(samples, RATE).to_pitch_ac(
        time_step=STEP, pitch_floor=hz / 1.4, pitch_ceiling=hz * 1.4, very_accurate=True
    )
    found = praat.selected_array["frequency"]
    known = found > 0
    return LongNote(samples, praat.xs()[known], 1200 * np.log2(found[known]))


@dataclass(frozen=True)
class SampledTake:
    recording: Recording
    onsets: np.ndarray  # s, the middles of the glides
    cents: np.ndarray  # against the drill, of the steady part of each note


def sampled_take(
    score,
    spacings,
    *,
    off=None,
    calm=True,
    vibrato=None,
    reverberation=0.35,
    noise=25.0,
    glide=0.016,
    late=None,
    seed=1,
):
    """Bow changes where the drill has no slur. spacings: s between starts, one a note. off: cents by finger. calm: the
    note's own vibrato is taken away. vibrato: (rate, width) of all notes. late: s by finger that it comes after its bow."""
    midi = [note.midi for note in score.notes]
    source = long_note(score.instrument, (min(midi) + max(midi)) // 2)
    onsets = 0.5 + np.concatenate([[0.0], np.cumsum(spacings[:-1])])
    end = float(onsets[-1] + spacings[-1])
    at = np.arange(0, end + 0.02, STEP)
    goal = [cents_of(score.hz(n.midi)) + (off or {}).get(n.finger, 0.0) for n in score.notes]
    curve = np.full(len(at), goal[0])
    lags = [(late or {}).get(note.finger, 0.0) for note in score.notes[1:]]
    for (before, after), onset, lag in zip(pairwise(goal), onsets[1:], lags, strict=True):
        ramp = np.clip((at - onset - lag) / glide + 0.5, 0, 1)
        curve += (after - before) * ramp
    if vibrato is not None:
        rate, width = vibrato
        curve += width / 2 * np.sin(2 * np.pi * rate * at)
    place, own = places_in(source, curve, calm)
    truth = own if not calm else curve
    samples = np.interp(
        np.interp(np.arange(int(end * RATE)) / RATE, at, place) * RATE,
        np.arange(len(source.samples)),
        source.samples,
    )
    samples *= _bows(score, onsets, len(samples))
    draw = np.random.default_rng(seed)
    samples = np.concatenate([samples, np.zeros(int(0.8 * RATE))])
    sound = in_room(samples, RATE, reverberation, draw)
    level = np.sqrt(np.mean(sound[RATE // 2 : int(end * RATE)] ** 2))
    sound = 0.2 * (sound / level + pink_noise(len(sound), RATE, draw) * 10 ** (-noise / 20))
    steady = []
    for number, onset in enumerate(onsets):
        length = spacings[number]
        inside = (at > onset + max(0.025, 0.25 * length)) & (
            at < onset + length - max(0.015, 0.1 * length)
        )
        target = cents_of(score.hz(score.notes[number].midi))
        steady.append(float(np.median(truth[inside]) - target))
    return SampledTake(recording_of(sound, RATE), onsets, np.array(steady))


def _bows(score, onsets, count):
    """Strength of each sample: a bow changes in 50 ms, with the start at its deepest."""
    at = np.arange(count) / RATE
    strength = np.clip((at - onsets[0]) / 0.04 + 0.5, 0, 1)
    for note, onset in zip(score.notes, onsets[1:], strict=False):
        if not note.bound:
            strength *= 1 - 0.9 * np.clip(1 - np.abs(at - onset) / 0.025, 0, 1)
    return strength


def places_in(source, curve, calm, begins=0.5):
    """Where in the long note each millisecond of the take lies, s, and the true pitch there."""
    place, places, true = begins, [], []
    usual = float(np.median(source.cents))
    for wanted in curve:
        own = float(np.interp(place, source.at, source.cents))
        moved = wanted - (own if calm else usual)
        places.append(place)
        true.append(own + moved)
        place += STEP * 2 ** (moved / 1200)
    return np.array(places), np.array(true)
