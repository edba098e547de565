"""Reading a recording: any file that libsndfile knows (WAV, FLAC, Ogg, MP3), as one channel."""

import io
from dataclasses import dataclass
from pathlib import Path

import numpy as np
import soundfile
from numpy.typing import NDArray

from lefthand.values.errors import InputError

Samples = NDArray[np.float64]
AnySamples = NDArray[np.floating]

FIELD = "take"
LONGEST_SECONDS = 60.0
SHORTEST_SECONDS = 0.5
LOWEST_RATE, HIGHEST_RATE = 8_000, 96_000
MOST_CHANNELS = 2
# Enough for the partials that are used; more only costs time.
WORKING_RATE = 24_000


@dataclass(frozen=True, slots=True)
class Recording:
    """One channel of sound, full scale at 1. peak: of the channels as they came."""

    samples: Samples
    rate: int
    peak: float

    @property
    def seconds(self) -> float:
        return len(self.samples) / self.rate


def read_recording(source: Path | bytes) -> Recording:
    """Raises InputError on `take`: not sound, empty, longer than 60 s, of a rate outside 8 to
    96 kHz, of more than two channels. Never more than 60 s are unpacked."""
    opened = io.BytesIO(source) if isinstance(source, bytes) else source
    try:
        with soundfile.SoundFile(opened) as file:
            _check(file)
            most = int(LONGEST_SECONDS * file.samplerate) + 1
            channels = file.read(most, dtype="float32", always_2d=True)
            rate = file.samplerate
    except OSError as error:
        raise InputError(FIELD, f"cannot be read ({error.strerror or error})") from error
    except (soundfile.SoundFileError, TypeError, ValueError) as error:
        if isinstance(error, InputError):
            raise
        raise InputError(FIELD, "is not a sound file that can be read here") from error
    return recording_of(channels, rate)


def _check(file: soundfile.SoundFile) -> None:
    if not LOWEST_RATE <= file.samplerate <= HIGHEST_RATE:
        raise InputError(FIELD, f"expected 8 to 96 kHz, got {file.samplerate} Hz")
    if file.channels > MOST_CHANNELS:
        raise InputError(FIELD, f"expected at most {MOST_CHANNELS} channels, got {file.channels}")
    if file.frames > LONGEST_SECONDS * file.samplerate:
        told = file.frames / file.samplerate
        raise InputError(FIELD, f"expected at most {LONGEST_SECONDS:g} s, got {told:.0f} s")
    if file.frames < SHORTEST_SECONDS * file.samplerate:
        raise InputError(FIELD, f"expected at least {SHORTEST_SECONDS:g} s of sound")


def recording_of(channels: AnySamples, rate: int) -> Recording:
    """channels: frames x channels, or one channel. Values that are no numbers count as silence."""
    frames = np.nan_to_num(np.atleast_2d(channels.T).T, posinf=0.0, neginf=0.0)
    peak = float(np.abs(frames).max(initial=0.0))
    return _slowed(Recording(np.asarray(_one_channel(frames)), rate, peak))


def _one_channel(frames: AnySamples) -> Samples:
    """The mean of the channels; of two that cancel each other the stronger one."""
    mean = frames.mean(axis=1)
    strongest = frames[:, int(np.argmax((frames**2).sum(axis=0)))]
    cancels = (mean**2).sum() < 0.1 * (strongest**2).sum()
    return np.asarray(strongest if cancels else mean, dtype=np.float64)


def _slowed(recording: Recording) -> Recording:
    """At a whole part of its rate, the lowest that is 24 kHz or nearly, without what would fold."""
    by = max(1, round(recording.rate / WORKING_RATE))
    kept = len(recording.samples) // by
    if by == 1 or kept == 0:
        return recording
    size = good_size(kept)
    spectrum = np.fft.rfft(recording.samples, by * size)[: size // 2 + 1] / by
    return Recording(np.fft.irfft(spectrum, size)[:kept], recording.rate // by, recording.peak)


def good_size(least: int) -> int:
    """The next size made of 2, 3 and 5 only, for which a transform is quick."""
    size = least
    while True:
        rest = size
        for factor in (2, 3, 5):
            while rest % factor == 0:
                rest //= factor
        if rest == 1:
            return size
        size += 1
