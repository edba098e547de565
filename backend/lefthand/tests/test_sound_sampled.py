"""Takes made of recorded notes that nobody here played, moved by known amounts.

Starts are counted by their place and, as is usual, by `mir_eval`'s F.
"""

from unittest import TestCase, skipUnless

import mir_eval
import numpy as np
import parselmouth

from lefthand.sound.findings import findings_of
from lefthand.sound.pitch import cents_of
from lefthand.sound.take import measure_take
from lefthand.tests.effort import usually
from lefthand.tests.sampled import is_here, sampled_take
from lefthand.tests.takes import at_speed, score

INSTRUMENTS = ("vn", "va", "vc", "db")
SPEEDS = (2, 4, 8)


def speeds_of(instrument):
    """Notes a second: one for each instrument, all three among them, or all for each."""
    number = INSTRUMENTS.index(instrument)
    return usually((SPEEDS[(number + 1) % 3],), SPEEDS)


def drilled(instrument, speed, seed=1):
    slow = score("frame_pattern", instrument, 60, 16, 2, seed)
    return at_speed(slow, speed)


def spacings(of, speed, uneven, seed):
    draw = np.random.default_rng(seed)
    return np.maximum(0.03, (1 + uneven * draw.standard_normal(len(of.notes))) / speed)


def taken(instrument, speed, *, uneven=0.0, seed=1, by=sampled_take, **how):
    of = drilled(instrument, speed, seed)
    gaps = spacings(of, speed, uneven, seed)
    made = by(of, gaps, seed=seed, **how)
    return made, measure_take(made.recording, of), gaps


@skipUnless(is_here(), "Debian's fluidsynth and fluid-soundfont-gm are not here")
class RecordedNotes(TestCase):
    tags = {"long"}

    def test_starts_pitch_and_fingers(self):
        """By room: ms of starts, cents of notes and of fingers, over four instruments, 2 to 8 notes
        a second, half with the recording's own vibrato."""
        for room, far_off in ((0.35, 1), (0.6, 4)):
            starts, notes, fingers, scores = [], [], [], []
            for instrument in INSTRUMENTS:
                for speed in speeds_of(instrument):
                    made, take, _ = taken(
                        instrument, speed, calm=speed != 4, reverberation=room, off={4: -25}
                    )
                    with self.subTest(instrument=instrument, speed=speed, room=room):
                        self.assertIsNone(take.reason)
                        self.assertLessEqual(len(take.lost), 2)
                    own = [1000 * (n.at - made.onsets[n.place]) for n in take.notes if n.slurred]
                    starts += list(np.array(own) - np.median(own))
                    told = np.array([note.at for note in take.notes])
                    scores.append(mir_eval.onset.f_measure(made.onsets, told, window=0.05)[0])
                    notes += [note.cents - made.cents[note.place] for note in take.notes]
                    for finger, found in take.fingers.items():
                        true = [
                            cents
                            for note, cents in zip(take.score.notes, made.cents, strict=True)
                            if note.finger == finger
                        ]
                        fingers.append(found.cents - np.mean(true))
            starts, notes, fingers = map(np.abs, map(np.array, (starts, notes, fingers)))
            with self.subTest(room=room, count=len(notes)):
                self.assertLess(np.median(starts), 2.0)
                self.assertGreater(np.mean(scores), 0.98)
                self.assertLess((starts > 25).mean(), far_off / 100)
                self.assertLess(np.nanmedian(notes), 1.5)
                self.assertLess(np.nanpercentile(notes, 95), 6 if room < 0.5 else 15)
                self.assertLess(np.median(fingers), 2)
                self.assertLess(np.percentile(fingers, 95), 4 if room < 0.5 else 9)

    def test_a_flat_fourth(self):
        for instrument in INSTRUMENTS:
            everything = ((10, 4), (25, 5), (50, 7))
            number = INSTRUMENTS.index(instrument) % 3
            for flat, within in usually(everything[number : number + 1], everything):
                with self.subTest(instrument=instrument, flat=flat):
                    _, take, _ = taken(instrument, 3, off={4: -flat}, seed=2)
                    value = findings_of(take)["fourth.low"]["value"]
                    self.assertAlmostEqual(value, -flat, delta=within)

    def test_evenness_of_even_and_uneven_takes(self):
        for instrument in INSTRUMENTS:
            bounds = {2: 1.0, 4: 1.0, 8: 2.5, 12: 3.0}
            for speed in (*speeds_of(instrument), *usually((), (12,))):
                within = bounds[speed]
                with self.subTest(instrument=instrument, speed=speed):
                    _, even, _ = taken(instrument, speed)
                    self.assertLessEqual(even.evenness.cv, even.evenness.least)
                    _, take, gaps = taken(instrument, speed, uneven=0.07, seed=3)
                    counted = gaps[list(take.evenness.places)]
                    true = 100 * counted.std(ddof=1) / counted.mean()
                    self.assertAlmostEqual(take.evenness.cv, true, delta=within)

    def test_vibrato_that_is_laid_on(self):
        for instrument in INSTRUMENTS:
            both = ((4.5, 40.0), (5.8, 20.0))
            number = INSTRUMENTS.index(instrument) % 2
            for rate, width in usually(both[number : number + 1], both):
                of = score("frame_pattern", instrument, 60, 4, 2)
                made = sampled_take(of, np.full(len(of.notes), 1.0), vibrato=(rate, width))
                take = measure_take(made.recording, of)
                for finger, found in take.vibrato.items():
                    with self.subTest(instrument=instrument, rate=rate, finger=finger):
                        self.assertAlmostEqual(found.rate, rate, delta=0.15)
                        self.assertAlmostEqual(found.width, width, delta=max(4, 0.15 * width))

    def test_pitch_is_not_behind_praat(self):
        """Boersma's autocorrelation as Praat has it, on the same notes in the same room; the truth
        is Praat's own, of the notes before they were moved, which helps it a little."""
        ours, praats = [], []
        for instrument in INSTRUMENTS:
            made, take, gaps = taken(instrument, 4, noise=20)
            samples = made.recording.samples
            praat = parselmouth.Sound(samples, made.recording.rate).to_pitch_ac(
                time_step=0.005,
                pitch_floor=take.score.lowest_hz / 1.2,
                pitch_ceiling=take.score.highest_hz * 1.2,
            )
            hz, at = praat.selected_array["frequency"], praat.xs()
            for note in take.notes:
                begins = made.onsets[note.place] + 0.25 * gaps[note.place]
                inside = (at > begins) & (at < begins + 0.65 * gaps[note.place]) & (hz > 0)
                if not inside.any():
                    continue
                target = cents_of(take.score.hz(take.score.notes[note.place].midi))
                its = float(np.median(1200 * np.log2(hz[inside]))) - target
                praats.append(abs(its - made.cents[note.place]))
                ours.append(abs(note.cents - made.cents[note.place]))
        self.assertGreater(len(ours), 80)
        self.assertLessEqual(np.median(ours), np.median(praats) + 0.3)
        self.assertLessEqual(np.percentile(ours, 95), np.percentile(praats, 95) + 1)

    def test_short_low_notes_tell_their_own_error(self):
        """At 12 notes a second the bass is off by more than at 2; what is told holds it."""
        for speed in (4, 12):
            made, take, _ = taken("db", speed)
            self.assertIsNone(take.reason)
            for finger, found in take.fingers.items():
                truth = np.mean(
                    [
                        made.cents[n.place]
                        for n in take.notes
                        if take.score.notes[n.place].finger == finger
                    ]
                )
                with self.subTest(speed=speed, finger=finger):
                    self.assertLessEqual(abs(found.cents - truth), 2 * found.uncertainty)
