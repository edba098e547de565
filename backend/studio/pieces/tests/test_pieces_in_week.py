"""A place in a piece as the step into music, over one week and over a term; a harder piece."""

import json
from datetime import timedelta
from unittest import mock

from django.db import connection
from django.test.utils import CaptureQueriesContext

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.tests.scores import melody_bytes, note, score
from studio.demo.pieces import bring_in_tunes
from studio.entries import undo
from studio.errors import StudioError
from studio.home.link import make_link
from studio.home.log import log_day
from studio.lessons.access import lesson_of, plan_minutes
from studio.lessons.cases import LessonView
from studio.lessons.flags import lift_flags
from studio.pieces.own_places import choose_place, harder_hint, harder_than_before, read_again
from studio.pieces.pieces import change_piece, keep_piece, read
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.sheet.pages import sheet_pdf
from studio.sheet.sheet import build_sheet
from studio.tests.pieces_case import TUNE, PiecesCase
from studio.tests.studio_case import DAY, GRIP


class InTheWeek(PiecesCase):
    """The place that the teacher chose is the step into music: given, on paper, on the phone."""

    def setUp(self):
        super().setUp()
        self.piece = keep_piece(self.player, melody_bytes(f"{TUNE} " * 4), "march", DAY)
        self.change(week=[5, 6])
        self.piece.refresh_from_db()

    def given(self):
        return self.whole_lesson(0, GRIP)

    def phone(self):
        with mock.patch("api.home.routes.today_behind", return_value=DAY):
            return self.client.get(f"/api/home/{make_link(self.player).token}").json()

    def step(self, lesson):
        return lesson.plan.items.get(in_piece__isnull=False)

    def test_it_is_proposed_given_printed_and_sent_with_its_bars(self):
        lesson = self.given()
        shown = self.client.get(f"/api/lessons/{lesson.pk}").json()
        step = next(i for i in shown["proposal"]["items"] if i["in_piece"])
        self.assertEqual(step["in_piece"]["title"], "march")
        item = self.step(lesson)
        self.assertEqual(item.piece, self.piece)
        first, last = item.in_piece["first"], item.in_piece["last"]
        self.assertLessEqual((first, 5), (4, last), "the place is among the bars")
        sheet = build_sheet(lesson)
        paper = next(each for each in sheet.items if each.place)
        self.assertEqual(paper.music_title, f"march, bars {first + 1} to {last + 1}")
        self.assertIn("printed here", " ".join(paper.steps))
        words = f"{last - first + 1} bars"
        self.assertEqual(paper.music.count('class="measure'), last - first + 1, words)
        self.assertTrue(sheet_pdf(sheet).startswith(b"%PDF"))
        there = next(each for each in self.phone()["items"] if each["music_title"])
        drawn = sum(line["svg"].count('class="measure') for line in there["lines"])
        self.assertEqual(drawn, last - first + 1)

    def test_it_is_heard_as_it_is_drawn_or_not_at_all(self):
        lesson = self.given()
        there = next(each for each in self.phone()["items"] if each["music_title"])
        drawn = sum(line["svg"].count('class="note"') for line in there["lines"])
        self.assertEqual(drawn, len(there["notes"]))
        item = self.step(lesson)
        bars = range(item.in_piece["first"], item.in_piece["last"] + 1)
        heard = [n.tones[0].pitch.midi for n in read(self.piece).passage.line if n.bar in bars]
        self.assertEqual([each["midi"] for each in there["notes"]], heard)
        self.assertEqual(there["beat"], there["tempo"] or self.piece.place["start"])
        tied = score(*[note(duration=16, inside="<tie type='start'/>") for _ in range(8)])
        self.piece.score = tied
        self.piece.save()
        there = next(each for each in self.phone()["items"] if each["music_title"])
        self.assertEqual(there["notes"], [])

    def test_drills_lead_to_the_place_and_none_under_a_stop(self):
        self.change(first=1, last=3)
        told = self.client.get(f"{self.address(self.piece)}/way").json()
        self.assertEqual(told["bars"], ["5", "6"])
        titles = [drill["title"] for drill in told["drills"]]
        self.assertEqual((titles[0], titles[-1]), ("Slow, with stops", "A note more each time"))
        for drill in told["drills"]:
            with self.subTest(drill["title"]):
                self.assertEqual(drill["music"].count('class="note"'), len(drill["notes"]))
                self.assertEqual(drill["tempo"], self.piece.place["start"])
        self.enter(self.lesson(), "reports", "", {"numbness": True})
        told = self.client.get(f"{self.address(self.piece)}/way").json()
        self.assertEqual(told["drills"], [])

    def test_as_many_bars_are_printed_as_the_dose_says(self):
        """By the teacher's own word, and in a short piece; none while one eases off."""
        lesson = self.given()
        for wanted, bars in ((4, 4), (8, 8), (12, 12), (20, 12)):
            step = {"exercise": "release_marks", "reps": wanted, "sets": 1}
            self.enter(lesson, "plan", "", [step])
            item = self.step(lesson)
            told = next(each for each in build_sheet(lesson).items if each.place)
            with self.subTest(wanted):
                self.assertEqual(item.in_piece["last"] - item.in_piece["first"] + 1, bars)
                self.assertEqual(told.dose.words(), f"{bars} bars")
                self.assertEqual(told.music.count('class="measure'), bars)
        token = make_link(self.player).token
        today = DAY + timedelta(days=1)
        log_day(token, {"date": today, "done": "partly", "pain": 2}, today)
        self.assertEqual(build_sheet(lesson, today).items, ())

    def test_a_slow_tab_takes_nothing_from_a_quick_one(self):
        here, there = (self.player.pieces.get(pk=self.piece.pk) for _ in range(2))
        change_piece(here, {"number": 2, "finger": 1})
        change_piece(there, {"number": 3, "string": 2})
        there.tempo = None
        change_piece(there, {"another": True})
        change_piece(here, {"tempo": 80})
        self.piece.refresh_from_db()
        self.assertEqual(self.piece.wishes, {"2": {"finger": 1}, "3": {"string": 2}})
        self.assertTrue(self.piece.taste)
        self.assertEqual(self.piece.tempo, 80)
        choose_place(here, [1, 2])
        read_again(there)
        self.piece.refresh_from_db()
        self.assertEqual((self.piece.place["first"], self.piece.place["last"]), (0, 1))

    def test_a_place_that_cannot_be_told_leaves_the_one_before(self):
        choose_place(self.piece, [1, 2])
        before = dict(self.player.pieces.get(pk=self.piece.pk).place)
        broken = StudioError("bad_input", "file", "cannot be read")
        with (
            mock.patch("studio.pieces.own_places.read", side_effect=broken),
            self.assertRaises(StudioError),
        ):
            choose_place(self.piece, [3, 4])
        self.assertEqual(self.player.pieces.get(pk=self.piece.pk).place, before)

    def test_a_piece_that_was_removed_meanwhile_is_not_there(self):
        there = self.player.pieces.get(pk=self.piece.pk)
        self.piece.delete()
        with self.assertRaises(StudioError) as caught:
            read_again(there)
        self.assertEqual(caught.exception.code, "not_found")

    def test_one_piece_at_a_time_and_out_again(self):
        other = keep_piece(self.player, melody_bytes(TUNE), "other", DAY)
        choose_place(other, [1, 2])
        self.assertEqual([bool(p.place) for p in self.player.pieces.all()], [False, False, True])
        choose_place(other, [])
        self.assertIsNone(LessonView(self.given()).own_place)

    def test_what_is_no_place_is_refused(self):
        for week in ([0, 1], [4, 3], [1, 99], [1, 9], [1], [1, 2, 3]):
            with self.subTest(week):
                self.assertEqual(self.change(week=week).status_code, 422)
        self.piece.refresh_from_db()
        self.assertEqual(self.piece.place["first"], 4)

    def test_undo_brings_back_the_bars_that_were_given(self):
        lesson = self.given()
        before = self.step(lesson).in_piece
        self.change(week=[])
        self.give(lesson, "thumb_taps")
        self.assertFalse(lesson.plan.items.filter(in_piece__isnull=False).exists())
        undo(lesson.pk)
        self.assertEqual(self.step(lesson).in_piece, before)

    def test_a_piece_that_goes_leaves_the_week_without_its_bars(self):
        lesson = self.given()
        self.client.delete(self.address(self.piece))
        self.assertFalse(lesson.plan.items.filter(in_piece__isnull=False).exists())
        self.assertTrue(all(each.place is None for each in build_sheet(lesson).items))

    def test_under_a_stop_neither_paper_nor_phone_shows_it(self):
        lesson = self.given()
        self.enter(lesson, "reports", "", {"numbness": True})
        self.assertEqual(build_sheet(lesson).items, ())
        self.assertEqual(self.phone()["items"], [])

    def test_another_part_takes_the_place_out_and_other_fingers_leave_it(self):
        self.change(another=True)
        self.piece.refresh_from_db()
        self.assertTrue(self.piece.taste)
        self.assertEqual(self.piece.place["first"], 4)

    def test_the_player_file_takes_it_along(self):
        lesson = self.given()
        self.change(another=True)
        self.piece.refresh_from_db()
        data = json.loads(json.dumps(player_file(self.player, scores=True)))
        there = read_player_file(self.teacher, data, DAY).player
        kept = there.pieces.get(title="march")
        self.assertEqual((kept.place, kept.taste), (self.piece.place, self.piece.taste))
        self.assertTrue(kept.taste)
        item = there.lessons.get().plan.items.get(in_piece__isnull=False)
        self.assertEqual((item.piece, item.in_piece), (kept, self.step(lesson).in_piece))
        bare = json.loads(json.dumps(player_file(self.player)))
        without = read_player_file(self.teacher, bare, DAY).player
        self.assertFalse(without.lessons.get().plan.items.filter(in_piece__isnull=False).exists())

    def test_a_longer_past_of_pieces_takes_no_more_queries(self):
        lesson = self.given()
        counts = []
        for _ in range(2):
            with CaptureQueriesContext(connection) as found:
                self.client.get(f"/api/lessons/{lesson.pk}")
            counts.append(len(found))
            for _ in range(6):
                read_again(keep_piece(self.player, melody_bytes(TUNE), "more", DAY))
        self.assertEqual(counts[0], counts[1])


class HarderNow(PiecesCase):
    def test_a_new_piece_that_asks_more_is_told_in_the_lesson(self):
        read_again(self.piece)
        self.whole_lesson(0, {"tip.gives": {"4": 3}, "arch.fails": {"4": 3}})
        later = DAY + timedelta(days=7)
        hard = keep_piece(self.player, melody_bytes("D5 E5^4 D5 E5^4 " * 8), "Fourths", later)
        read_again(hard)
        lesson = self.whole_lesson(1, {"tip.gives": {"4": 3}, "arch.fails": {"4": 3}})
        hint = harder_hint(LessonView(lesson))
        self.assertIn("Fourths asks more than tune", hint)
        self.assertIn("fourth", hint)
        told = self.client.get(self.address(hard)).json()["harder"]
        self.assertEqual(told["than"], "tune")
        self.assertTrue(told["words"])
        self.assertEqual(harder_hint(LessonView(self.whole_lesson(2, GRIP))), "")


class OfTheDemo(PiecesCase):
    def test_it_has_an_easy_tune_one_that_waits_and_a_harder_one_with_a_place(self):
        self.piece.delete()
        self.whole_lesson(0, GRIP)
        bring_in_tunes([self.player])
        easy, waits, harder = self.player.pieces.all()
        self.assertEqual(len({each.title for each in (easy, waits, harder)}), 3)
        self.assertEqual([each.later for each in (easy, waits, harder)], [False, True, False])
        self.assertIsNone(easy.place)
        self.assertIsNotNone(harder.place)
        than, words = harder_than_before(harder)
        self.assertEqual(than, easy.title)
        self.assertTrue(words)


class OverATerm(PiecesCase):
    """Twelve weekly lessons with a break, a stop and its lifting, failures and returns."""

    def shows(self, lesson, passed):
        for review in LessonView(lesson).review:
            self.enter(lesson, "result", str(review.item.pk), {"passed": passed, "pain": 0})

    def test_the_promise_holds_in_every_week(self):
        self.piece = keep_piece(self.player, melody_bytes(f"{TUNE} " * 8), "march", DAY)
        self.change(week=[9, 10])
        seen = []
        for number, weeks in enumerate((0, 1, 2, 3, 4, 5, 10, 11, 12, 13, 14, 15)):
            lesson = self.lesson(weeks)
            self.enter(lesson, "reports", "", {"numbness": True} if number == 4 else {})
            if number == 4:
                self.assertEqual(build_sheet(lesson).items, ())
                on = DAY + timedelta(weeks=weeks)
                lift_flags(self.player, note="a doctor has seen the hand", on=on)
                continue
            self.shows(lesson, passed=number % 4 != 3)
            self.look(lesson, GRIP)
            focus = [f.cause for f in self.view(lesson).diagnosis.focus]
            self.enter(lesson, "focus", "", focus)
            view = self.view(lesson)
            self.give(lesson, *(i.exercise for i in view.proposal.items))
            if number == 8:
                self.client.delete(self.address(self.piece))
            lesson = lesson_of(self.teacher, lesson.pk)
            for item in lesson.plan.items.all():
                exercise = load_catalogue().exercises[item.exercise]
                told = exercise.rung(item.rung).in_piece
                with self.subTest(lesson=number, exercise=item.exercise, rung=item.rung):
                    is_there = told is not None and number < 8
                    self.assertEqual(item.in_piece is not None, is_there)
                    if is_there and told.bars:
                        bars = item.in_piece["last"] - item.in_piece["first"] + 1
                        self.assertEqual(bars, told.bars)
                    if is_there:
                        seen.append((number, item.exercise, item.rung))
            self.assertLessEqual(plan_minutes(lesson), view.case.minutes_budget)
        self.assertGreaterEqual(len({number for number, *_ in seen}), 4)
        self.assertGreater(len({row[1:] for row in seen}), 1, "it climbs, or changes")
