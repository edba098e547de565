"""Takes of a simulated player, against what was truly played."""

import itertools
from dataclasses import replace
from unittest import TestCase, mock

import numpy as np

from lefthand.sound.findings import Beside, beside_of, findings_of, findings_of_two
from lefthand.sound.player import Playing, Room, Vibrato
from lefthand.sound.recording import recording_of
from lefthand.sound.room import reverberation, room_word
from lefthand.sound.take import Refusal, measure_take
from lefthand.sound.words import named, told, told_of_two
from lefthand.tests.effort import usually
from lefthand.tests.takes import RATE, made, measured, score
from lefthand.values.measures import MEASURES
from lefthand.words import words_of

ALL = (
    ("vn", "four_by_four"),
    ("va", "frame_pattern"),
    ("vc", "four_by_four"),
    ("db", "frame_pattern"),
)


def errors_of_starts(truth, take):
    """ms, of the slurred notes."""
    onsets = {note.place: note.onset for note in truth.notes}
    return np.array([1000 * (n.at - onsets[n.place]) for n in take.notes if n.slurred])


class Starts(TestCase):
    tags = {"long"}

    def test_slurred_starts_are_told_to_milliseconds_in_either_room(self):
        for instrument, name in ALL:
            for room in (Room.USUAL, Room.MUCH):
                with self.subTest(instrument=instrument, room=room):
                    of = score(name, instrument, tempo=240)
                    truth, take = measured(of, Playing(room=room, noise=20), seed=3)
                    errors = errors_of_starts(truth, take)
                    self.assertGreater(len(errors), 15)
                    spread = np.median(np.abs(errors - np.median(errors)))
                    self.assertLess(spread, 4 if instrument == "db" else 2.5)
                    self.assertLess(np.abs(errors).max(), 25)

    def test_a_note_left_out_is_lost_and_the_others_are_found(self):
        truth, take = measured(score(), Playing(skipped=frozenset({5})))
        self.assertEqual(list(take.lost), [5])
        self.assertLess(np.abs(errors_of_starts(truth, take)).max(), 25)

    def test_a_repeated_note_costs_only_its_own_place(self):
        truth, take = measured(score(), Playing(repeated=frozenset({7})))
        onsets = {note.place: note.onset for note in truth.notes}
        late = [n.place for n in take.notes if n.slurred and abs(n.at - onsets[n.place]) > 0.03]
        self.assertLessEqual(set(late), {7})

    def test_noodling_a_metronome_and_another_tempo_do_not_mislead(self):
        for how in (
            Playing(noodling=2.0),
            Playing(click=True),
            Playing(tempo=1.4),
            Playing(tempo=0.7),
        ):
            with self.subTest(how=how):
                truth, take = measured(score(), how, seed=2)
                self.assertIsNone(take.reason)
                self.assertEqual(list(take.lost), [])
                self.assertLess(np.abs(errors_of_starts(truth, take)).max(), 25)
                self.assertAlmostEqual(take.tempo, how.tempo, delta=0.05)


class Evenness(TestCase):
    tags = {"long"}

    def test_an_even_take_is_below_what_can_be_told(self):
        for instrument, name in ALL:
            with self.subTest(instrument):
                _, take = measured(score(name, instrument, tempo=240), Playing(uneven=0))
                self.assertLess(take.evenness.cv, take.evenness.least + 1)

    def test_unevenness_is_recovered_within_a_point_or_its_own_uncertainty(self):
        for uneven in (3.0, 6.0, 12.0):
            truth, take = measured(score(tempo=240, bars=16), Playing(uneven=uneven), seed=4)
            onsets = np.array([note.onset for note in truth.notes])
            gaps = np.diff(onsets)
            true = 100 * gaps.std(ddof=1) / gaps.mean()
            with self.subTest(uneven):
                self.assertAlmostEqual(take.evenness.cv, true, delta=max(1.0, 0.15 * true))

    def test_the_pair_that_stumbles_is_named(self):
        _, take = measured(score(bars=16), Playing(uneven_pairs={(3, 4): 12.0}), seed=2)
        self.assertGreater(take.evenness.pairs[3, 4], 2 * take.evenness.pairs[2, 3])
        fingers = {
            (take.score.notes[p].finger, take.score.notes[p + 1].finger)
            for p in take.evenness.outliers
        }
        self.assertLessEqual(fingers, {(3, 4), (4, 3)})


class Pitch(TestCase):
    tags = {"long"}

    def test_a_flat_fourth_reads_as_flat_as_it_is(self):
        for instrument, name in ALL:
            for flat in (10, 25, 50):
                with self.subTest(instrument=instrument, flat=flat):
                    _, take = measured(score(name, instrument), Playing(off={4: -flat}))
                    self.assertAlmostEqual(take.fingers[4].cents, -flat, delta=3)
                    self.assertAlmostEqual(take.fingers[1].cents, 0, delta=3)
                    self.assertLess(take.fingers[4].uncertainty, 3)
                    self.assertAlmostEqual(findings_of(take)["fourth.low"]["value"], -flat, delta=4)

    def test_a_string_out_of_tune_is_not_the_fingers_fault(self):
        of = score("frame_pattern")
        _, take = measured(of, Playing(tuned={2: -30}, off={4: -20}))
        self.assertAlmostEqual(take.fingers[4].cents, -50, delta=3)
        self.assertAlmostEqual(findings_of(take)["fourth.low"]["value"], -20, delta=4)

    def test_notes_are_within_a_few_cents_in_noise(self):
        truth, take = measured(score(), Playing(noise=10))
        true = {note.place: note.cents for note in truth.notes}
        errors = [abs(note.cents - true[note.place]) for note in take.notes]
        self.assertLess(np.median(errors), 1.5)
        self.assertLess(np.percentile(errors, 95), 5)


class HeldNotes(TestCase):
    tags = {"long"}

    def test_vibrato_has_its_rate_and_width_and_a_narrow_finger_its_share(self):
        asked = {1: Vibrato(5.2, 30), 2: Vibrato(4.5, 36), 4: Vibrato(6.0, 10)}
        for instrument in ("vn", "vc", "db"):
            with self.subTest(instrument):
                _, take = measured(score("held_note", instrument, 72), Playing(vibrato=asked))
                for finger, vibrato in asked.items():
                    self.assertAlmostEqual(take.vibrato[finger].rate, vibrato.rate, delta=0.15)
                    self.assertAlmostEqual(
                        take.vibrato[finger].width, vibrato.width, delta=max(4, 0.1 * vibrato.width)
                    )
                share = findings_of(take)["vibrato.narrow"]["4"]["value"]
                self.assertLess(share, MEASURES["vibrato_share"].cuts[1])

    def test_no_vibrato_is_none(self):
        _, take = measured(score("held_note", tempo=120))
        self.assertEqual({each.width for each in take.vibrato.values()}, {0.0})
        self.assertNotIn("vibrato.narrow", findings_of(take))

    def test_a_tone_breaks_where_it_breaks(self):
        of = score("held_note", tempo=60)
        truth, _ = made(of)
        whole = truth.notes[-1].onset + truth.notes[-1].seconds - truth.notes[0].onset
        _, take = measured(of, Playing(breaks=((2.0 / whole, 2.8 / whole),)))
        first = truth.notes[0].onset
        self.assertEqual(len(take.breaks), 1)
        self.assertAlmostEqual(take.breaks[0].begins, first + 2.0, delta=0.05)
        self.assertAlmostEqual(take.breaks[0].ends, first + 2.8, delta=0.05)
        self.assertAlmostEqual(findings_of(take)["press.excess"]["1"]["value"], 0.5, delta=0.05)

    def test_a_clear_tone_has_no_break(self):
        for instrument in ("vn", "va", "vc", "db"):
            with self.subTest(instrument):
                _, take = measured(score("held_note", instrument, 120), seed=5)
                self.assertEqual(list(take.breaks), [])

    def test_the_open_neighbour_rings_or_not(self):
        for instrument in ("vn", "vc"):
            for rings, low, high in ((1.0, 0.9, 1.0), (0.5, 0.3, 0.6), (0.0, 0.0, 0.1)):
                with self.subTest(instrument=instrument, rings=rings):
                    of = score("double_ring", instrument, 100, 4, slurred=False)
                    _, take = measured(of, Playing(rings=rings))
                    shares = findings_of(take)["neighbour.muted"]
                    self.assertEqual(len(shares), 4)
                    for each in shares.values():
                        self.assertGreaterEqual(each["value"], low)
                        self.assertLessEqual(each["value"], high)


class Tiring(TestCase):
    tags = {"long"}

    def test_the_point_from_which_it_tightens(self):
        of = score(bars=16)
        for share in (0.4, 0.6):
            with self.subTest(share):
                found = [
                    measured(of, Playing(tired_from=share), seed)[1].tightens_from
                    for seed in usually(range(2), range(4))
                ]
                self.assertAlmostEqual(float(np.median(found)), share, delta=0.2)

    def test_a_take_that_stays_well_does_not_tighten(self):
        found = [
            measured(score(name, instrument), Playing(off={4: -25}, uneven=3.0), seed)[
                1
            ].tightens_from
            for instrument, name in ALL
            for seed in usually((1,), (1, 2))
        ]
        self.assertEqual(found, [1.0] * len(found))


class SlowAndFast(TestCase):
    tags = {"long"}

    def test_what_gets_lost_with_speed(self):
        slow = measured(score(tempo=120, bars=16), Playing(off={4: -5}, uneven=1))[1]
        fast = measured(score(tempo=360, bars=16), Playing(off={4: -35, 3: -15}, uneven=9))[1]
        found = findings_of_two(beside_of(slow), beside_of(fast))
        self.assertAlmostEqual(found["uneven.fast"]["value"], 8, delta=2.5)
        self.assertAlmostEqual(found["frame.shrinks"]["value"], -22.5, delta=4)
        self.assertNotIn("fourth.low", findings_of(fast))

    def test_two_takes_alike_in_speed_tell_nothing(self):
        one, other = (beside_of(measured(score(tempo=tempo))[1]) for tempo in (120, 132))
        self.assertEqual(findings_of_two(one, other), {})
        self.assertEqual(findings_of_two(one, None), {})


class Rooms(TestCase):
    def test_the_word_for_a_room(self):
        for room, words in (
            (Room.DRY, {"dry"}),
            (Room.USUAL, {"usual", "much"}),
            (Room.MUCH, {"usual", "much"}),
        ):
            for seed in range(3):
                truth, recording = made(
                    score("frame_pattern", tempo=240, bars=4), Playing(room=room), seed
                )
                last = truth.notes[-1]
                with self.subTest(room=room, seed=seed):
                    self.assertIn(
                        room_word(reverberation(recording, last.onset + last.seconds)), words
                    )

    def test_a_recorder_that_shuts_off_after_the_end_changes_nothing(self):
        truth, recording = made(score("frame_pattern", tempo=240, bars=4))
        ends = truth.notes[-1].onset + truth.notes[-1].seconds
        plain = reverberation(recording, ends)
        noise = np.random.default_rng(1).standard_normal(recording.rate)
        for floor in (0.0, 1e-5, 3e-3):
            quiet = floor * noise
            shut = replace(recording, samples=np.concatenate([recording.samples, quiet]))
            with self.subTest(floor=floor):
                self.assertAlmostEqual(reverberation(shut, ends), plain, delta=0.05)


class Refused(TestCase):
    tags = {"long"}

    def refusal(self, samples, of=None):
        return measure_take(recording_of(samples, RATE), of or score()).reason

    def test_what_cannot_be_trusted_is_refused_with_its_reason(self):
        of = score()
        truth, _ = made(of)
        draw = np.random.default_rng(1)
        count = len(truth.samples)
        second = np.resize(made(score("slow_scale"), seed=8)[0].samples, count)
        cases = {
            "silence": (np.zeros(count), Refusal.QUIET),
            "a whisper": (truth.samples * 0.001, Refusal.QUIET),
            "clipped": (np.clip(truth.samples * 12, -1, 1), Refusal.CLIPPED),
            "noise": (0.1 * draw.standard_normal(count), None),
            "another drill": (made(score("easy_tune", tempo=90))[0].samples, Refusal.OTHER),
            "an octave up": (made(of, Playing(octave=1))[0].samples, Refusal.OTHER),
            "an octave down": (made(of, Playing(octave=-1))[0].samples, Refusal.OTHER),
            "two players": (truth.samples + second, None),
        }
        for name, (samples, reason) in cases.items():
            with self.subTest(name):
                found = self.refusal(samples, of)
                self.assertIsNotNone(found)
                if reason is not None:
                    self.assertEqual(found, reason)

    def test_a_minute_of_noise_is_refused_before_notes_are_laid_on_it(self):
        draw = np.random.default_rng(1)
        hiss = 0.1 * draw.standard_normal(59 * RATE)
        wind = np.convolve(hiss, np.ones(8) / 8, "same")
        with mock.patch("lefthand.sound.take.align") as laid:
            for samples in (hiss, wind):
                self.assertEqual(self.refusal(samples), Refusal.UNVOICED)
        laid.assert_not_called()

    def test_a_refused_take_tells_nothing(self):
        take = measure_take(recording_of(np.zeros(RATE * 5), RATE), score())
        self.assertEqual((findings_of(take), list(take.notes)), ({}, []))

    def test_a_sneeze_spoils_a_note_or_two_and_no_more(self):
        of = score()
        truth, _ = made(of)
        samples = truth.samples.copy()
        draw = np.random.default_rng(2)
        at = int(8 * RATE)
        samples[at : at + RATE // 3] += (
            0.5 * draw.standard_normal(RATE // 3) * np.hanning(RATE // 3)
        )
        take = measure_take(recording_of(samples, RATE), of)
        self.assertIsNone(take.reason)
        self.assertAlmostEqual(take.fingers[4].cents, 0, delta=3)


class Words(TestCase):
    tags = {"long"}

    def test_a_sentence_says_what_was_played(self):
        plain, flat = Playing(), Playing(off={4: -26})
        held = score("held_note", tempo=100)
        double = score("double_ring", tempo=120, slurred=False)
        even = {finger: Vibrato(5.5, 30) for finger in (1, 2, 3, 4)}
        cases = (
            ("fourth.low", score(bars=4), flat, "The fourth is 2[4-8] cents low, give or take"),
            ("fourth.low", score(bars=4), plain, "The fourth is in tune"),
            ("vibrato.narrow", held, Playing(vibrato=even), "All fingers swing alike"),
            ("vibrato.narrow", held, plain, "No vibrato could be heard"),
            (
                "vibrato.narrow",
                held,
                Playing(vibrato={**even, 4: Vibrato(5.5, 9)}),
                "The fourth swings .* % of the other fingers",
            ),
            ("neighbour.muted", double, plain, "rings beside every finger"),
            ("neighbour.muted", double, Playing(rings=0), "silent beside the first, second"),
            ("press.excess", held, plain, "The tone never broke"),
            ("fades.early", score(bars=8), plain, "does not tighten"),
            ("uneven.fast", score(bars=8), plain, "Even, as far as can be told"),
            ("uneven.fast", score(bars=16), Playing(uneven=9), "early or late, give or take"),
            ("fourth.low", score("slow_scale"), plain, "Too few notes of the fourth"),
        )
        for evidence, of, how, words in cases:
            with self.subTest(evidence, words=words):
                self.assertRegex(told(measured(of, how)[1], evidence), words)

    def test_one_uneven_pair_is_heard_on_every_instrument_and_an_even_hand_is_even(self):
        for instrument, pairs in (
            ("vn", ((1, 2), (3, 4))), ("vc", ((1, 2),)), ("db", ((1, 2), (2, 4))),
        ):  # fmt: skip
            of = score("even_run", instrument, tempo=60)
            _, even = measured(of)
            self.assertIn("Even, as far as can be told", told(even, "uneven.fast"))
            for pair in pairs:
                _, take = measured(of, Playing(uneven_pairs={pair: 20.0}))
                with self.subTest(instrument, pair=pair):
                    self.assertTrue(all(n >= 8 for n in take.evenness.counts.values()))
                    one, two = (words_of(named(finger)) for finger in pair)
                    self.assertIn(f"most between {one} and {two}", told(take, "uneven.fast"))

    def test_an_instrument_an_octave_off_is_another_drill(self):
        for instrument, name in itertools.product(
            ("vn", "vc", "db"), ("frame_pattern", "even_run", "four_by_four")
        ):
            for octave in (1, -1):
                _, take = measured(score(name, instrument), Playing(octave=octave))
                with self.subTest(instrument, drill=name, octave=octave):
                    self.assertIsNotNone(take.reason)

    def test_a_slip_is_told_with_its_bar_and_makes_nothing_uneven(self):
        for tempo in (60, 120, 240):
            of = score(tempo=tempo)
            for how, slips, words in (
                (Playing(), [], r"^Even[^.]*\.$"),
                (Playing(repeated=frozenset({9})), [("twice", 9)], r"One note twice, bar 3\."),
                (Playing(repeated=frozenset({9, 10})), [("twice", 9), ("twice", 10)], r"Notes twice, bar 3\."),
                (Playing(skipped=frozenset({9})), [("left_out", 9)], r"One note left out, bar 3\."),
            ):  # fmt: skip
                with self.subTest(tempo=tempo, slips=slips):
                    _, take = measured(of, how)
                    self.assertEqual([(s.kind.value, s.place) for s in take.slips], slips)
                    self.assertLess(take.evenness.cv, 2)
                    self.assertRegex(told(take, "uneven.fast"), words)

    def test_a_take_that_is_uneven_as_a_whole_has_no_slips(self):
        _, take = measured(score(bars=16), Playing(uneven=12))
        self.assertEqual(take.slips, [])
        self.assertGreater(take.evenness.cv, 8)

    def test_no_sentence_and_no_grade_claims_more_than_its_error_bears(self):
        slow = Beside(2.0, 2.0, {4: 0.0}, 2.0, {4: 3.0})
        fast = Beside(4.0, 6.0, {4: -8.0}, 1.5, {4: 4.0})
        self.assertEqual(
            told_of_two(slow, fast),
            "Perhaps less even when fast, by 4 %, give or take 5; "
            "fourth perhaps sinks by 8 cents, give or take 10.",
        )
        self.assertEqual(findings_of_two(slow, fast), {})
        sure = Beside(4.0, 12.0, {4: -30.0}, 1.5, {4: 4.0})
        self.assertNotIn("erhaps", told_of_two(slow, sure))
        self.assertEqual(
            findings_of_two(slow, sure),
            {"uneven.fast": {"value": 10.0}, "frame.shrinks": {"value": -30.0}},
        )

    def test_no_finger_is_named_that_was_not_heard(self):
        slow, fast = (Beside(speed, 1.0, {1: 0.0, 2: 0.0, 4: 0.0}) for speed in (2.0, 4.0))
        self.assertIn("fourth keeps its place", told_of_two(slow, fast))
        self.assertNotIn("third", told_of_two(slow, fast))

    def test_two_takes_are_told_together(self):
        slow = Beside(2.0, 1.0, {3: 0.0, 4: 0.0})
        self.assertIn("by 8 %", told_of_two(slow, Beside(6.0, 9.0, {3: 0.0, 4: -30.0})))
        self.assertIn("sink by 15 cents", told_of_two(slow, Beside(6.0, 9.0, {3: 0.0, 4: -30.0})))
        for speed, words in ((2.2, "hardly faster"), (9.0, "too fast")):
            fast = Beside(speed, 1.0, {4: 0.0})
            self.assertIn(words, told_of_two(slow, fast))
            self.assertEqual(findings_of_two(slow, fast), {})
        self.assertIn("As even fast as slow", told_of_two(slow, Beside(6.0, 1.5, {})))
