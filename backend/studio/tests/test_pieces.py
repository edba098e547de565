"""A player's own music: kept, read for this player's trouble, changed, given back, gone."""

import io
import json
import subprocess
from datetime import timedelta
from unittest import mock

import soundfile
from django.contrib.auth import get_user_model
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import connection
from django.test.utils import CaptureQueriesContext
from pypdf import PdfReader

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.music.engraved_apart import engraved_apart
from lefthand.music.reading.reader import read_piece
from lefthand.sound.player import Playing, play
from lefthand.tests.scores import melody_bytes, note, score
from lefthand.tests.test_reading import BAD
from studio.demo_data import DEMO_USERNAME
from studio.errors import StudioError
from studio.models import Piece, RedFlag
from studio.paper.pdf import sheet_pdf
from studio.paper.sheet import build_sheet
from studio.services import pieces
from studio.services.cases import LessonView
from studio.services.entries import undo
from studio.services.erasing import erase_player
from studio.services.flags import lift_flags
from studio.services.heard_pieces import to_hear
from studio.services.home import make_link
from studio.services.lessons import lesson_of, plan_minutes
from studio.services.own_places import choose_place, harder_hint, read_again
from studio.services.pieces import change_piece, keep_piece, piece_of, read
from studio.services.player_file import player_file
from studio.services.player_import import read_player_file
from studio.tests.studio_case import DAY, GRIP, StudioCase, silence

TUNE = "A4 B4 C#5 D5 E5 D5 C#5 B4 A4:4"


class PiecesCase(StudioCase):
    def setUp(self):
        super().setUp()
        self.client.force_login(self.teacher)
        self.piece = keep_piece(self.player, melody_bytes(TUNE), "tune.musicxml", DAY)

    def address(self, piece=None):
        base = f"/api/players/{self.player.pk}/pieces"
        return base if piece is None else f"{base}/{piece.pk}"

    def change(self, **told):
        return self.client.post(self.address(self.piece), told, content_type="application/json")


class Kept(PiecesCase):
    def test_a_piece_is_brought_in_and_drawn_with_its_fingers(self):
        file = SimpleUploadedFile("A little march.musicxml", melody_bytes(TUNE))
        told = self.client.post(self.address(), {"file": file}).json()
        self.assertEqual((told["title"], told["first"], told["last"]), ("A little march", 1, 3))
        self.assertIn('id="note-1"', told["music"])
        self.assertEqual([n["finger"] for n in told["notes"]][:4], [0, 1, 2, 3])
        self.assertEqual(len(told["bars"]), 3)
        listed = self.client.get(self.address()).json()
        self.assertEqual([each["title"] for each in listed], ["tune", "A little march"])

    def test_what_cannot_be_read_names_the_file_and_nothing_is_kept(self):
        for name, data in (
            *BAD[:8],
            ("no notes", score("<note><rest/><duration>4</duration></note>")),
        ):
            file = SimpleUploadedFile("piece.musicxml", data)
            answer = self.client.post(self.address(), {"file": file})
            with self.subTest(name):
                self.assertEqual(answer.status_code, 422)
        self.assertEqual(Piece.objects.count(), 1)

    def test_there_is_room_for_so_many(self):
        pieces.MOST_PIECES, before = 1, pieces.MOST_PIECES
        self.addCleanup(setattr, pieces, "MOST_PIECES", before)
        with self.assertRaises(StudioError) as caught:
            keep_piece(self.player, melody_bytes(TUNE), "", DAY)
        self.assertEqual(caught.exception.code, "conflict")

    def test_removed_or_erased_it_is_gone(self):
        self.assertEqual(self.client.delete(self.address(self.piece)).json(), [])
        keep_piece(self.player, melody_bytes(TUNE), "", DAY)
        erase_player(self.player)
        self.assertEqual(Piece.objects.count(), 0)


class Changed(PiecesCase):
    def test_bars_tempo_and_one_finger(self):
        told = self.change(first=2, last=2, tempo=60).json()
        self.assertEqual([bar["number"] for bar in told["bars"]], ["2"])
        self.assertEqual(told["way"]["goal"], 60)
        told = self.change(first=1, last=3, number=5, finger=0).json()
        fifth = told["notes"][4]
        self.assertEqual((fifth["finger"], fifth["own_finger"], fifth["string"]), (0, 0, 1))
        told = self.change(number=5, string=3).json()
        self.assertEqual(told["notes"][4]["string"], 3)
        told = self.change(number=5, finger=None, string=None).json()
        self.assertIsNone(told["notes"][4]["own_finger"])
        self.assertEqual(told["tempo"], 60)

    def test_what_cannot_be_is_refused_by_its_field(self):
        for field, told in (
            ("first", {"first": 0}),
            ("first", {"first": 9}),
            ("last", {"first": 3, "last": 2}),
            ("tempo", {"tempo": 0}),
            ("finger", {"number": 1, "finger": 9}),
            ("string", {"number": 1, "string": 7}),
            ("number", {"number": 0, "finger": 1}),
            ("part", {"part": "oboe"}),
        ):
            with self.subTest(field, told=told), self.assertRaises(StudioError) as caught:
                change_piece(self.piece, told)
            self.assertEqual(caught.exception.field, field)
        self.piece.refresh_from_db()
        self.assertEqual((self.piece.first, self.piece.last, self.piece.wishes), (0, 2, {}))

    def test_long_pieces_are_looked_at_in_parts(self):
        long = keep_piece(self.player, melody_bytes("A4:4 B4:4 " * 50), "", DAY)
        self.assertEqual((long.bars, long.last), (100, 31))
        with self.assertRaises(StudioError):
            change_piece(long, {"first": 1, "last": 100})
        self.assertEqual(len(read(long).passage.shown), 32)

    def test_a_place_to_let_go_is_added_and_taken_out(self):
        def places(told):
            return [note["number"] for note in told["notes"] if note["lets_go"]]

        proposed = places(self.client.get(self.address(self.piece)).json())
        added = next(n for n in range(1, 9) if n not in proposed)
        told = self.change(number=added, lets_go=True).json()
        self.assertEqual(places(told), sorted([*proposed, added]))
        told = self.change(number=proposed[-1], lets_go=False).json()
        self.assertEqual(places(told), sorted([*proposed[:-1], added]))
        marked = self.client.get(f"{self.address(self.piece)}/marked.musicxml").content
        self.assertEqual(marked.count(b"<breath-mark"), len(places(told)))

    def test_nobody_is_sent_to_practise_under_a_stop(self):
        lesson = self.lesson()
        RedFlag.objects.create(
            player=self.player, lesson=lesson, raised_on=DAY, reasons=["numbness"]
        )
        told = self.client.get(self.address(self.piece)).json()
        self.assertEqual((told["paused"], told["way"]), (True, None))
        self.assertEqual(self.client.get(f"{self.address(self.piece)}/part.pdf").status_code, 409)
        lift_flags(self.player, note="seen by a doctor", on=DAY, seen=["numbness"])
        self.assertIsNotNone(self.client.get(self.address(self.piece)).json()["way"])

    def test_what_brings_the_engraver_down_brings_nothing_else_down(self):
        for gone in (
            subprocess.TimeoutExpired("engraver", 1),
            subprocess.CalledProcessError(-11, "engraver"),
        ):
            engraved_apart.cache_clear()
            with mock.patch("subprocess.run", side_effect=gone):
                told = self.client.get(self.address(self.piece)).json()
                page = self.client.get(f"{self.address(self.piece)}/part.pdf")
            with self.subTest(type(gone).__name__):
                self.assertEqual((told["music"], len(told["notes"])), ("", 9))
                self.assertEqual(page.status_code, 422)


class ForThisPlayer(PiecesCase):
    def test_the_trouble_of_the_newest_lesson_is_looked_for(self):
        everything = read(self.piece).passage.loads.strengths
        self.whole_lesson(0, GRIP)
        strengths = read(piece_of(self.player, self.piece.pk)).passage.loads.strengths
        self.assertIn("thumb_index_grip", strengths)
        self.assertLess(len(strengths), len(everything))

    def test_another_teacher_finds_nothing(self):
        other = get_user_model().objects.create_user("other", password="quiet-hands-8")
        self.client.force_login(other)
        self.assertEqual(self.client.get(self.address(self.piece)).status_code, 404)


class GivenBack(PiecesCase):
    def test_the_file_comes_back_whole_with_its_marks(self):
        data = score(
            '<direction><direction-type><words>dolce</words></direction-type></direction>'
            + note("A") + note("B", inside="<lyric><text>la</text></lyric>")
        )  # fmt: skip
        piece = keep_piece(self.player, data, "", DAY)
        change_piece(piece, {"number": 2, "finger": 1, "string": None})
        marked = self.client.get(f"{self.address(piece)}/marked.musicxml").content
        for kept in (b"dolce", b"<text>la</text>", b"<fingering>1</fingering>", b"<breath-mark"):
            self.assertIn(kept, marked)
        before, after = read_piece(data), read_piece(marked)
        self.assertEqual(
            [(e.onset, [str(t.pitch) for t in e.tones]) for e in before.events],
            [(e.onset, [str(t.pitch) for t in e.tones]) for e in after.events],
        )

    def test_the_chosen_bars_as_a_page_for_the_stand(self):
        long = keep_piece(self.player, melody_bytes(f"{TUNE} " * 10), "March", DAY)
        for paper in ("a4", "us-letter"):
            answer = self.client.get(f"{self.address(long)}/part.pdf?paper={paper}")
            pages = PdfReader(io.BytesIO(answer.content)).pages
            text = " ".join(page.extract_text() for page in pages)
            with self.subTest(paper):
                for words in ("March", "Bars 1 to", "The way there", "quarters a minute"):
                    self.assertIn(words, text)
                self.assertNotIn(self.player.name, text)

    def test_a_player_file_takes_it_along(self):
        change_piece(self.piece, {"number": 5, "finger": 0, "string": None})
        change_piece(self.piece, {"first": 2, "last": 3, "tempo": 72})
        plain = json.loads(json.dumps(player_file(self.player)))
        self.assertNotIn("score", plain["pieces"][0])
        later = DAY + timedelta(days=400)
        found = read_player_file(self.teacher, plain, later)
        self.assertIn("its score is not in the file", " ".join(found.left_out))
        whole = json.loads(json.dumps(player_file(self.player, scores=True)))
        again = read_player_file(self.teacher, whole, later).player.pieces.get()
        for name in ("title", "part", "first", "last", "tempo", "wishes"):
            self.assertEqual(getattr(again, name), getattr(self.piece, name), name)
        self.assertEqual(bytes(again.score), bytes(self.piece.score))


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
        self.assertEqual(there["music"].count('class="measure'), last - first + 1)

    def test_it_is_heard_as_it_is_drawn_or_not_at_all(self):
        lesson = self.given()
        there = next(each for each in self.phone()["items"] if each["music_title"])
        self.assertEqual(there["music"].count('class="note"'), len(there["notes"]))
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
        data = json.loads(json.dumps(player_file(self.player, scores=True)))
        there = read_player_file(self.teacher, data, DAY).player
        kept = there.pieces.get(title="march")
        self.assertEqual(kept.place, self.piece.place)
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


class ByEar(PiecesCase):
    """A take of the passage beside what was expected; nothing of the sound stays."""

    def setUp(self):
        super().setUp()
        self.piece = keep_piece(self.player, melody_bytes(f"{TUNE} " * 4), "march", DAY)

    def sound(self, **how):
        asked = to_hear(read(self.piece))
        made = play(asked.score, Playing(**how), 1, 24_000)
        written = io.BytesIO()
        soundfile.write(written, made.samples, made.rate, format="WAV")
        return written.getvalue()

    def send(self, data, **told):
        file = SimpleUploadedFile("take.wav", data)
        return self.client.post(f"{self.address(self.piece)}/take", {"file": file, **told})

    def test_it_tells_from_which_bar_it_tightens_and_keeps_numbers_only(self):
        answer = self.send(self.sound(tired_from=0.5)).json()
        heard = answer["heard"]
        self.assertTrue(heard["usable"])
        self.assertRegex(heard["words"], r"^It tightens from bar \d+\. Bar \d+ was farthest")
        numbers = [bar["number"] for bar in heard["bars"]]
        self.assertEqual(numbers[0], answer["to_hear"]["bars"][0])
        self.assertEqual(numbers[-1], answer["to_hear"]["bars"][1])
        self.assertEqual(max(bar["expected"] for bar in heard["bars"]), 1)
        self.assertEqual(max(bar["heard"] for bar in heard["bars"]), 1)
        self.assertEqual(answer["bars"], self.client.get(self.address(self.piece)).json()["bars"])
        calm = self.send(self.sound()).json()["heard"]
        self.assertIn("It does not tighten", calm["words"])
        self.assertIn("No bar stands out", calm["words"])

    def test_bars_that_are_not_looked_at_any_more_are_not_set_beside(self):
        self.send(self.sound(tired_from=0.5))
        heard = self.change(first=1, last=2).json()["heard"]
        self.assertLessEqual(len(heard["bars"]), 2)
        self.assertNotIn("expected", heard["words"])
        self.assertIn("It tightens from bar", heard["words"])

    def test_a_take_that_tells_nothing_says_why(self):
        heard = self.send(silence(4)).json()["heard"]
        self.assertEqual((heard["usable"], heard["bars"]), (False, []))
        self.assertIn("too quiet", heard["words"])

    def test_what_is_no_sound_or_no_tempo_is_refused_by_its_field(self):
        for data, told, field in ((b"RIFF", {}, "file"), (silence(), {"tempo": 4}, "tempo")):
            answer = self.send(data, **told)
            with self.subTest(field):
                self.assertEqual(answer.status_code, 422)
                self.assertEqual([each["field"] for each in answer.json()["fields"]], [field])
        self.piece.refresh_from_db()
        self.assertIsNone(self.piece.heard)

    def test_the_same_bars_at_every_tempo(self):
        told = read(self.piece)
        self.assertEqual(to_hear(told, 40.0).bars, to_hear(told).bars)
        self.assertGreater(to_hear(told, 40.0).score.seconds, to_hear(told).score.seconds)

    def test_nobody_plays_under_a_stop_and_double_stops_are_said(self):
        chord = note() + note("C", 5, inside="").replace("<note>", "<note><chord/>")
        self.piece.score = score(*[chord * 4 for _ in range(12)])
        self.piece.save()
        answer = self.client.get(self.address(self.piece)).json()
        self.assertIsNone(answer["to_hear"])
        self.assertIn("Double stops", answer["cannot_hear"])
        self.enter(self.lesson(), "reports", "", {"numbness": True})
        self.assertEqual(self.send(silence()).status_code, 409)

    def test_a_made_up_player_plays_in_the_demo_alone(self):
        address = f"{self.address(self.piece)}/take/simulated"
        self.assertEqual(
            self.client.post(address, {}, content_type="application/json").status_code, 405
        )
        self.teacher.username = DEMO_USERNAME
        self.teacher.save()
        heard = self.client.post(address, {}, content_type="application/json").json()["heard"]
        self.assertTrue(heard["simulated"])


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
