"""A player's own music: kept, read for this player's trouble, changed, given back, gone."""

import io
import json
import subprocess
from datetime import timedelta
from unittest import mock

from django.contrib.auth import get_user_model
from django.core.files.uploadedfile import SimpleUploadedFile
from pypdf import PdfReader

from lefthand.music.engraved_apart import engraved_apart
from lefthand.music.reading.reader import read_piece
from lefthand.tests.scores import melody_bytes, note, score
from lefthand.tests.test_reading import BAD
from studio.errors import StudioError
from studio.lessons.flags import lift_flags
from studio.models import Piece, RedFlag
from studio.pieces import pieces
from studio.pieces.pieces import change_piece, keep_piece, piece_of, read
from studio.players.arriving import read_player_file
from studio.players.erasing import erase_player
from studio.players.file import player_file
from studio.tests.pieces_case import TUNE, PiecesCase
from studio.tests.studio_case import DAY, GRIP


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
            ("tempo", {"first": 2, "last": 2, "tempo": 0}),
            ("finger", {"number": 1, "finger": 9}),
            ("finger", {"tempo": 60, "number": 1, "finger": 9}),
            ("string", {"number": 1, "string": 7}),
            ("number", {"number": 0, "finger": 1}),
            ("part", {"part": "oboe"}),
        ):
            with self.subTest(field, told=told), self.assertRaises(StudioError) as caught:
                change_piece(self.piece, told)
            self.assertEqual(caught.exception.field, field)
        self.piece.refresh_from_db()
        self.assertEqual((self.piece.first, self.piece.last, self.piece.wishes), (0, 2, {}))
        self.assertIsNone(self.piece.tempo)

    def test_long_pieces_are_looked_at_in_parts(self):
        long = keep_piece(self.player, melody_bytes("A4:4 B4:4 " * 50), "", DAY)
        self.assertEqual((long.bars, long.last), (100, 31))
        with self.assertRaises(StudioError):
            change_piece(long, {"first": 1, "last": 100})
        self.assertEqual(len(read(long).passage.shown), 32)

    def test_so_many_notes_are_looked_at_together_and_what_would_fit_is_said(self):
        runs = ["".join(note("ABCDEFG"[n % 7], duration=1) for n in range(300))] * 4
        dense = keep_piece(self.player, score(*runs), "", DAY)
        self.assertEqual((dense.bars, dense.first, dense.last), (4, 0, 1))
        with self.assertRaises(StudioError) as caught:
            change_piece(dense, {"first": 2, "last": 4})
        self.assertEqual(caught.exception.field, "last")
        self.assertIn("bars 2 to 3 would fit", caught.exception.problem)
        # One that was brought in before there was a limit is read as far as fits.
        dense.last = 3
        dense.save()
        self.assertEqual(list(read(dense).passage.shown), [0, 1])

    def test_one_bar_of_too_many_notes_is_refused_with_its_number(self):
        bars = (note("A"), "".join(note("B", duration=1) for _ in range(801)))
        with self.assertRaises(StudioError) as caught:
            keep_piece(self.player, score(*reversed(bars)), "", DAY)
        self.assertEqual(caught.exception.field, "file")
        self.assertIn("bar 1 has 801 notes", caught.exception.problem)
        kept = keep_piece(self.player, score(*bars), "", DAY)
        self.assertEqual(kept.last, 0)
        for told in ({"first": 2, "last": 2}, {"first": 1, "last": 2}):
            with self.subTest(told), self.assertRaises(StudioError):
                change_piece(kept, told)

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
        self.assertFalse(self.client.get(self.address(self.piece)).json()["paused"])

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

    def test_the_one_thing_of_the_week_stands_at_its_head_until_a_stop(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps")

        def head():
            answer = self.client.get(f"{self.address(self.piece)}/part.pdf")
            return PdfReader(io.BytesIO(answer.content)).pages[0].extract_text()

        with mock.patch("api.pieces.routes.today", return_value=DAY):
            self.assertIn("It never holds.", head())
        with mock.patch("api.pieces.routes.today", return_value=DAY + timedelta(days=200)):
            self.assertNotIn("It never holds.", head())

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
