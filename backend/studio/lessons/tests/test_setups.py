"""The fit of the instrument: dated records, what was seen before and since, what is new by them."""

from datetime import timedelta

from lefthand.values.errors import InputError
from lefthand.words import words_of
from studio.entries.log import undo
from studio.errors import StudioError
from studio.lessons.reach import measured_span, reach_of
from studio.lessons.setups import judge_setup, remove_setup, save_setup, setups_of, to_judge
from studio.models import Player
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.tests.studio_case import DAY, StudioCase


class Setups(StudioCase):
    def test_a_record_stands_between_what_was_seen_before_and_since(self):
        self.look(self.lesson(0), {"hold.slips": 3, "seat.unbalanced": 2, "nail.pale": 1})
        save_setup(self.player, {"size": "3/4", "change": "pad one size thinner"}, DAY)
        self.look(self.lesson(1), {"hold.slips": 1})
        (found,) = setups_of(self.player)
        self.assertEqual(found.before, {"hold.slips": 3, "seat.unbalanced": 2})
        self.assertEqual(found.since, {"hold.slips": 1})
        save_setup(self.player, {"change": "another rest"}, DAY + timedelta(weeks=1))
        self.look(self.lesson(2), {"hold.slips": 0})
        newest, older = setups_of(self.player)
        self.assertEqual((newest.before["hold.slips"], newest.since["hold.slips"]), (1, 0))
        self.assertEqual(older.since, {"hold.slips": 1})

    def asked(self, lesson):
        return to_judge(lesson, self.view(lesson).history.setups)

    def test_a_change_is_judged_in_the_next_lesson_and_not_in_its_own(self):
        setup = save_setup(self.player, {"change": "pad thinner"}, DAY)
        own, later = self.lesson(0), self.lesson(1)
        self.assertIsNone(self.asked(own))
        self.assertEqual(self.asked(later), setup)
        self.enter(later, "fit", str(setup.pk), "helped")
        setup.refresh_from_db()
        self.assertEqual(setup.judged, "helped")
        self.assertEqual(self.asked(later), setup)
        self.assertIsNone(self.asked(self.lesson(2)))
        undo(later.pk)
        setup.refresh_from_db()
        self.assertEqual((setup.judged, self.asked(later)), ("", setup))

    def test_a_change_that_cannot_be_judged_here_names_its_field(self):
        setup = save_setup(self.player, {"change": "pad thinner"}, DAY)
        lesson = self.lesson(1)
        for key, value in ((str(setup.pk), "splendid"), ("999", "helped"), ("x", "helped")):
            with self.subTest(key, value=value), self.assertRaises(StudioError):
                self.enter(lesson, "fit", key, value)
        with self.assertRaises(StudioError):
            self.enter(self.lesson(0), "fit", str(setup.pk), "helped")

    def test_another_size_counts_as_a_new_instrument_for_twelve_weeks(self):
        save_setup(self.player, {"size": "1/2"}, DAY - timedelta(weeks=30))
        self.assertEqual(self.view(self.lesson(0)).case.lately, ())
        save_setup(self.player, {"size": "3/4"}, DAY)
        self.assertEqual(
            [x.value for x in self.view(self.lesson(0)).case.lately], ["new_instrument"]
        )
        self.assertEqual(len(self.view(self.lesson(12)).case.lately), 1)
        self.assertEqual(self.view(self.lesson(13)).case.lately, ())

    def test_another_size_asks_again_what_it_may_have_changed_until_it_was_looked_at(self):
        def asked(weeks):
            view = self.view(self.lesson(weeks))
            return view.case.anew, [c for c in view.diagnosis.awaited if c in view.case.anew]

        self.look(self.lesson(0), {"hold.slips": 0, "reach.exceeded": 1})
        save_setup(self.player, {"size": "1/2"}, DAY - timedelta(weeks=9))
        self.assertEqual(asked(1), ((), []))
        save_setup(self.player, {"size": "3/4"}, DAY + timedelta(weeks=1, days=1))
        both = ("hold.slips", "reach.exceeded")
        self.assertEqual(asked(2), (both, list(both)))
        why = self.view(self.lesson(2)).diagnosis.awaited_for["hold.slips"]
        self.assertEqual(words_of(why), "the instrument is another size since")
        self.look(self.lesson(2), {"hold.slips": 2})
        self.assertEqual(asked(2), (both, ["reach.exceeded"]), "today's look answers it")
        self.assertEqual(asked(3), (("reach.exceeded",), ["reach.exceeded"]))
        self.look(self.lesson(3), {"reach.exceeded": {"value": 4}})
        self.assertEqual(asked(4), ((), []))
        self.assertEqual(asked(20), ((), []))

    def test_the_reach_knows_the_string_from_the_newest_fit_or_its_size(self):
        def asked(span=None, string_length=None):
            return reach_of(self.player, span, string_length)

        self.assertIsNone(asked(span=70))
        self.assertEqual(asked(span=70, string_length=300).string_length, 300)
        save_setup(self.player, {"size": "my old one"}, DAY - timedelta(3))
        self.assertIsNone(asked())
        save_setup(self.player, {"size": "1/2"}, DAY - timedelta(2))
        self.assertEqual(asked().string_length, 285)
        save_setup(self.player, {"size": "3/4", "string_length": 306}, DAY - timedelta(1))
        self.assertEqual(asked(span=70).string_length, 306)
        self.assertAlmostEqual(asked(span=70).margin.percent, 2.4, delta=0.1)
        save_setup(self.player, {"change": "another rest"}, DAY)
        self.assertEqual(asked().string_length, 306)
        self.assertAlmostEqual(asked().cents_off(4, -1), -8.4, delta=0.1)
        for span, length, field in ((1, None, "span"), (70, 10, "string_length")):
            with self.assertRaises(InputError) as caught:
                asked(span, length)
            self.assertEqual(caught.exception.field, field)

    def test_a_span_that_was_measured_is_held_against_a_later_instrument(self):
        save_setup(self.player, {"string_length": 328}, DAY - timedelta(weeks=9))
        self.assertIsNone(measured_span(self.player))
        self.look(self.lesson(0), {"reach.exceeded": {"value": -12}})
        needed = reach_of(self.player, None, None).needed
        known = measured_span(self.player)
        self.assertEqual((known.span, known.on), (round(needed * 0.88, 1), DAY))
        self.assertEqual(reach_of(self.player, known.span, None).size_that_fits(12), "7/8")
        save_setup(self.player, {"size": "1/2"}, DAY + timedelta(weeks=1))
        self.assertEqual(measured_span(self.player), known)
        fits = reach_of(self.player, known.span, None)
        self.assertTrue(fits.margin.fits)
        self.assertIsNone(fits.size_that_fits(12))

    def test_a_grade_without_a_number_or_a_string_tells_no_span(self):
        self.look(self.lesson(0), {"reach.exceeded": 2})
        save_setup(self.player, {"string_length": 328}, DAY + timedelta(weeks=1))
        self.look(self.lesson(2), {"reach.exceeded": 1})
        self.assertIsNone(measured_span(self.player))

    def test_the_reach_of_a_bass_is_that_of_its_fingering(self):
        self.player.instrument = "db"
        for way, fingers in (("124", 3), ("1234", 4)):
            self.player.way_of_teaching = {"bass_fingering": way}
            self.assertEqual(len(reach_of(self.player, None, 1060).tapes), fingers)

    def test_a_second_record_of_a_day_takes_the_place_of_the_first(self):
        save_setup(self.player, {"size": "1/2"}, DAY)
        save_setup(self.player, {"size": "3/4"}, DAY)
        self.assertEqual([s.size for s in self.player.setups.all()], ["3/4"])

    def test_one_that_is_not_there_is_not_removed(self):
        with self.assertRaises(StudioError) as caught:
            remove_setup(self.player, 999_999)
        self.assertEqual(caught.exception.code, "not_found")

    def test_wrong_facts_name_their_field_and_nothing_is_kept(self):
        for data, field in (
            ({}, "change"),
            ({"string_length": 20}, "string_length"),
            ({"weight": -1}, "weight"),
            ({"tapes": [35.8, "x"]}, "tapes"),
            ({"tapes": list(range(1, 20))}, "tapes"),
            ({"size": "x" * 70}, "size"),
            ({"change": "x", "date": DAY + timedelta(1)}, "date"),
            ({"colour": "red"}, "colour"),
        ):
            with self.subTest(field), self.assertRaises(StudioError) as caught:
                save_setup(self.player, data, DAY)
            self.assertEqual(caught.exception.field, field)
        self.assertFalse(self.player.setups.exists())

    def test_tapes_are_laid_beside_their_places_on_the_string_of_that_day(self):
        save_setup(self.player, {"tapes": [35.8], "change": "tapes"}, DAY)
        self.assertEqual(setups_of(self.player)[0].tapes, [])
        save_setup(self.player, {"string_length": 328, "tapes": [35.8, 60.2], "change": "t"}, DAY)
        in_place, off = setups_of(self.player)[0].tapes
        self.assertIn("in its place, 2 half steps", in_place)
        self.assertIn("mm too near to the nut", off)
        later = DAY + timedelta(days=30)
        save_setup(self.player, {"string_length": 280, "tapes": [30.6], "change": "t"}, later)
        self.assertIn("in its place", setups_of(self.player)[0].tapes[0])
        self.assertIn("in its place", setups_of(self.player)[1].tapes[0])

    def test_it_goes_with_the_player_file_and_comes_back(self):
        setup = save_setup(
            self.player,
            {"size": "3/4", "string_length": 308, "tapes": [33.6, 63.5], "change": "tapes"},
            DAY,
        )
        judge_setup(self.player, setup.pk, "same")
        copy = read_player_file(self.teacher, player_file(self.player), DAY).player
        self.assertNotEqual(copy, self.player)
        (back,) = copy.setups.all()
        self.assertEqual(
            (back.date, back.size, back.tapes, back.judged), (DAY, "3/4", [33.6, 63.5], "same")
        )

    def test_a_player_of_an_older_file_has_none(self):
        data = player_file(self.player)
        del data["setups"], data["self_check"]
        copy = read_player_file(self.teacher, data, DAY).player
        self.assertEqual((copy.setups.count(), copy.self_check), (0, False))
        self.assertEqual(Player.objects.count(), 2)
