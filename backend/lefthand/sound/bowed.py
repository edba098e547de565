"""A bowed string as sound: a sum of partials whose pitch and strength follow given curves.

The string's saw-tooth spectrum (partials falling with their number: Helmholtz motion, e.g. Fletcher
and Rossing, "The Physics of Musical Instruments", 2nd ed., section 10.3) goes through a body of
resonances, so that the colour changes as the pitch moves. The resonances are drawn by seed around
the usual places of air and wood, from memory; they decide the colour only.
"""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from lefthand.sound.recording import Samples, good_size
from lefthand.values.vocabulary import Instrument

HIGHEST_PARTIAL_HZ = 9000.0
MOST_PARTIALS = 60
RESONANCES = 40
COARSE_HZ = 400  # the body's answer moves slowly: at so many points a second
POINTS_AT_ONCE = 128
TABLE_STEP = 1.0  # Hz, far less than any resonance is wide
BOW_NOISE = 0.02  # share of the tone's strength
# First strong resonances of the body, Hz (air, main wood), from memory.
BODY: Mapping[Instrument, tuple[float, float]] = {
    Instrument.VIOLIN: (275.0, 470.0),
    Instrument.VIOLA: (220.0, 370.0),
    Instrument.CELLO: (100.0, 185.0),
    Instrument.BASS: (60.0, 105.0),
}


@dataclass(frozen=True, slots=True)
class Body:
    """hz, width (Hz) and gain of each resonance."""

    hz: Samples
    width: Samples
    gain: Samples

    def strength(self, hz: Samples) -> Samples:
        """How strongly the body sounds at these frequencies, 0.15 and more."""
        distance = (hz[..., None] - self.hz) / self.width
        return np.asarray(0.15 + (self.gain / (1 + distance**2)).sum(axis=-1))


def body_of(instrument: Instrument, draw: np.random.Generator) -> Body:
    """One instrument of its kind; another draw is another one."""
    air, wood = BODY[instrument]
    spread = wood * np.exp(np.sort(draw.uniform(0, np.log(HIGHEST_PARTIAL_HZ / wood), RESONANCES)))
    hz = np.concatenate([[air, wood], spread])
    gain = np.concatenate([[1.2, 1.0], draw.uniform(0.2, 1.0, RESONANCES)])
    return Body(hz, hz / draw.uniform(12, 30, len(hz)), gain)


def bowed(
    hz: Samples, strength: Samples, rough: Samples, rate: int, body: Body, draw: np.random.Generator
) -> Samples:
    """The sound of one string. hz, strength (0..1) and rough (0 clear .. 1 broken tone) hold one
    value a sample."""
    phase = 2 * np.pi * np.cumsum(hz) / rate
    highest = min(HIGHEST_PARTIAL_HZ, 0.45 * rate)
    count = int(np.clip(highest / hz.min(), 3, MOST_PARTIALS))
    every = max(1, rate // COARSE_HZ)
    partials = _partials(hz[::every], 1 - rough[::every], highest, count, body)
    sound = _summed(phase, partials, every)
    noise = _bow_noise(len(hz), rate, hz, draw)
    usual = np.sqrt(np.mean(sound[strength > 0.5] ** 2)) if np.any(strength > 0.5) else 1.0
    noisy = (BOW_NOISE + 0.8 * rough) * usual
    return np.asarray(strength * (sound + noisy * noise))


def _partials(hz: Samples, clear: Samples, highest: float, count: int, body: Body) -> Samples:
    """How strongly each partial sounds at each of these points. (count, points)"""
    table = np.arange(0.0, highest + TABLE_STEP, TABLE_STEP)
    answers = body.strength(table)
    numbers = np.arange(1, count + 1)[:, None]
    at = numbers * hz
    # A broken tone has lost its upper partials first.
    strength = np.interp(at, table, answers) / numbers * clear ** (1 + 0.3 * numbers)
    return np.where(at > highest, 0.0, strength)


def _summed(phase: Samples, partials: Samples, every: int) -> Samples:
    """The sum of all partials, whose strength goes in a straight line from point to point, `every`
    samples apart, and is held after the last one.

    sin(n x) comes from the two before it (Chebyshev), which is quicker than asking for each; block
    by block, so that what is worked on stays near the processor.
    """
    sound = np.empty(len(phase))
    rises = np.diff(partials, axis=1, append=partials[:, -1:])
    along = np.arange(every) / every
    for first in range(0, partials.shape[1], POINTS_AT_ONCE):
        points = slice(first, first + POINTS_AT_ONCE)
        block = slice(first * every, (first + POINTS_AT_ONCE) * every)
        part = phase[block]
        twice_cosine, before, sine = 2 * np.cos(part), np.zeros(len(part)), np.sin(part)
        total = np.zeros(len(part))
        for strength, rise in zip(partials[:, points], rises[:, points], strict=True):
            line = strength[:, None] + rise[:, None] * along
            total += line.ravel()[: len(part)] * sine
            before, sine = sine, twice_cosine * sine - before
        sound[block] = total
    return sound


def _bow_noise(count: int, rate: int, hz: Samples, draw: np.random.Generator) -> Samples:
    """Noise of the hair on the string, strongest above the note, of power one."""
    size = good_size(count)
    spectrum = np.fft.rfft(draw.standard_normal(size))
    at = np.fft.rfftfreq(size, 1 / rate)
    low = float(np.median(hz))
    spectrum *= at / np.hypot(at, low) / np.hypot(1, at / (8 * low + 1500))
    noise = np.fft.irfft(spectrum, size)[:count]
    return np.asarray(noise / np.sqrt(np.mean(noise**2)))


def in_room(sound: Samples, rate: int, reverberation: float, draw: np.random.Generator) -> Samples:
    """The sound with the tail of a room. reverberation: s until it is 60 dB down (ISO 3382), 0 for
    none. The tail is noise that dies away (Moorer, "About this reverberation business", 1979)."""
    if reverberation <= 0:
        return sound
    length = int(rate * reverberation)
    after = np.arange(length) / rate
    tail = draw.standard_normal(length) * 10 ** (-3 * after / reverberation)
    tail[: int(0.008 * rate)] = 0.0
    tail *= 0.7 * np.sqrt(reverberation / 0.6) / np.sqrt(np.sum(tail**2))
    tail[0] = 1.0
    size = good_size(len(sound) + length)
    wet = np.fft.irfft(np.fft.rfft(sound, size) * np.fft.rfft(tail, size), size)
    return np.asarray(wet[: len(sound)])


def pink_noise(count: int, rate: int, draw: np.random.Generator) -> Samples:
    """Noise whose power falls by 3 dB an octave, of power one."""
    size = good_size(count)
    spectrum = np.fft.rfft(draw.standard_normal(size))
    at = np.fft.rfftfreq(size, 1 / rate)
    spectrum /= np.sqrt(np.maximum(at, 20.0))
    noise = np.fft.irfft(spectrum, size)[:count]
    return np.asarray(noise / np.sqrt(np.mean(noise**2)))
