"""Letters as a parent, a colleague and a doctor would read them, and the table for a spreadsheet."""

import csv
import io
import json
from datetime import timedelta
from pathlib import Path

import jsonschema_rs
from django.contrib.auth import get_user_model
from pypdf import PdfReader

from studio.demo.players import build_demo
from studio.lessons.flags import lift_flags
from studio.models import Player
from studio.paper.setting import Paper
from studio.players.file import player_file
from studio.progress.letter_about import Paragraph
from studio.progress.letter_pages import letters_pdf
from studio.progress.letters import Letter, Reader, draft
from studio.progress.tables import COLUMNS, table_of
from studio.tests.studio_case import DAY, GRIP, Keys, StudioCase

GONE = dict.fromkeys(GRIP, 0)
SCHEMA = Path(__file__).parents[2] / "schemas" / "jolf-player-2.json"


class LetterCase(StudioCase):
    """Seven lessons that all tests of a class begin with."""

    @classmethod
    def setUpTestData(cls):
        built = StudioCase()
        built.setUp()
        looks = [GRIP, GRIP, {"web.closed": 1, "thumb.locked": 1, "nail.pale": 1}, *[GONE] * 4]
        cls.lessons = [built.whole_lesson(week, look) for week, look in enumerate(looks)]
        cls.teacher, cls.player = built.teacher, built.player

    def setUp(self):
        self._keys = Keys(first=1000)
        self.on = DAY + timedelta(weeks=6)

    def told(self, reader):
        self.player.refresh_from_db()
        return {p.heading: p.text for p in draft(self.player, reader, self.on).paragraphs}

    def whole(self, reader):
        return "\n".join(f"{heading} {text}" for heading, text in self.told(reader).items())


class Drafts(LetterCase):
    seconds_each = 6

    def test_a_parent_reads_what_is_better_in_kind_words_and_no_numbers(self):
        told = self.told(Reader.PARENT)
        self.assertIn("The thumb is softer than before.", told["What is better"])
        self.assertIn("pinching the neck", told["What we worked on"])
        self.assertTrue(told["One thing to watch for at home"])
        self.assertNotIn("%", self.whole(Reader.PARENT))
        self.assertNotIn("Example", draft(self.player, Reader.PARENT, self.on).title)

    def test_it_greets_and_is_signed_and_an_adults_goes_to_the_adult(self):
        told = self.told(Reader.PARENT)
        self.assertEqual(told["Greeting"], "Dear parents of Pia,")
        self.assertIn("Pia and I", told["What we worked on"])
        self.assertTrue(told["Closing"].startswith("With kind regards,"))
        self.player.birth_year = DAY.year - 40
        self.player.save()
        told = self.told(Reader.PARENT)
        self.assertEqual(told["Greeting"], "Dear Pia,")
        self.assertIn("you and I", told["What we worked on"])
        self.assertIn("Your thumb is softer", told["What is better"])

    def test_no_sentence_stands_against_another(self):
        for weeks in range(7, 15):
            self.whole_lesson(weeks, {**GRIP, "hold.slips": 3})
        self.on = DAY + timedelta(weeks=14)
        self.assertNotIn("too early", self.whole(Reader.PARENT))

    def test_a_colleague_reads_numbers_reasons_and_what_to_avoid(self):
        self.enter(
            self.lessons[-1], "cause", "setup_misfit", {"word": "dismissed", "why": "new rest"}
        )
        self.enter(self.lessons[-1], "reports", "", {"numbness": True})
        lift_flags(self.player, note="seen by a doctor", on=self.on)
        told = self.told(Reader.COLLEAGUE)
        self.assertIn("% likely", told["Where it stands"])
        self.assertIn("not there", told["What it is told from"])
        self.assertIn("Thumb taps, up to step", told["What was tried"])
        self.assertIn("seen by a doctor", told["What to avoid"])
        self.assertIn("Equipment does not fit: ruled out", told["What to avoid"])

    def test_a_doctor_reads_what_was_told_and_no_opinion(self):
        self.enter(
            self.lessons[-1], "reports", "",
            {"pain": 5, "place": "forearm", "pain_when": ["playing", "next_day"]},
        )  # fmt: skip
        self.lessons[0].home_days.create(
            date=DAY + timedelta(days=2), done="partly", felt="tight", pain=2, later=["rest"]
        )
        self.enter(self.lessons[1], "complaint", "", "thumb.tired")
        told = self.told(Reader.DOCTOR)
        self.assertIn("11 March 2026, in the lesson: “My thumb aches", told["What was reported"])
        self.assertIn("15 April 2026, in the lesson: pain 5 of 10 in the forearm, while playing, "
                      "still the next day", told["What was reported"])  # fmt: skip
        self.assertIn("6 March 2026, at home: pain 2 of 10; at rest", told["What was reported"])
        self.assertIn("they still are", told["What was stopped"])
        whole = self.whole(Reader.DOCTOR)
        for word in ("likely", "cause", "squeez", "diagnos", "because", "weak"):
            self.assertNotIn(word, whole)
        self.assertIsNone(draft(self.player, Reader.DOCTOR, self.on).term)

    def test_a_stop_stands_in_the_parents_letter_instead_of_exercises(self):
        self.enter(self.lessons[-1], "reports", "", {"numbness": True})
        told = self.told(Reader.PARENT)
        self.assertIn("doctor or a physiotherapist", told["What comes next"])
        self.assertNotIn("numb", told["What comes next"])

    def test_nobody_without_lessons_gets_a_broken_letter(self):
        fresh = Player.objects.create(teacher=self.teacher, name="Ada", instrument="vc")
        for reader in Reader:
            self.assertTrue(draft(fresh, reader, self.on).paragraphs)

    def test_no_disease_is_named_to_anybody(self):
        for player in build_demo(DAY, weeks=0):
            for reader in Reader:
                told = str(draft(player, reader, DAY).paragraphs).lower()
                for word in ("tendin", "syndrome", "carpal", "dystonia", "arthrit", "hypermobil"):
                    self.assertNotIn(word, told)


class Pdfs(LetterCase):
    def pdf(self, letters, paper=Paper.A4):
        made = letters_pdf(letters, author="Marle Veldt", on=self.on, paper=paper)
        return PdfReader(io.BytesIO(made))

    def test_it_is_tagged_has_its_title_and_the_picture_speaks(self):
        found = self.pdf([draft(self.player, Reader.PARENT, self.on)])
        self.assertTrue(found.trailer["/Root"]["/MarkInfo"]["/Marked"])
        self.assertEqual(str(found.trailer["/Root"]["/Lang"]), "en")
        self.assertIn("Pia’s lessons", found.metadata.title)
        self.assertEqual(len(found.pages), 1)
        self.assertIn("What is better", found.pages[0].extract_text())
        self.assertIn(b"pdfuaid", found.xmp_metadata.stream.get_data())

    def test_a_class_has_a_page_a_player_and_letter_paper_is_letter(self):
        letters = [draft(self.player, Reader.DOCTOR, self.on)] * 3
        found = self.pdf(letters, Paper.LETTER)
        self.assertEqual(len(found.pages), 3)
        self.assertAlmostEqual(float(found.pages[0].mediabox.width), 612, delta=1)

    def test_what_was_edited_is_what_stands_there(self):
        letter = Letter(
            self.player,
            "A title",
            [Paragraph("Head", "One line.\n- an item\n- *another* #it[x]")],
            None,
        )
        text = self.pdf([letter]).pages[0].extract_text()
        for words in ("A title", "Head", "One line.", "an item", "*another* #it[x]"):
            self.assertIn(words, text)

    def test_over_the_web_only_own_players_and_with_its_field(self):
        self.client.force_login(self.teacher)
        drafts = self.client.get(f"/api/letters/parent?players={self.player.pk}").json()
        body = {"letters": [{"player": self.player.pk, "title": "T",
                             "paragraphs": drafts[0]["paragraphs"]}]}  # fmt: skip
        send = lambda data: self.client.post(  # noqa: E731
            "/api/letters/parent/pdf", json.dumps(data), content_type="application/json"
        )
        self.assertEqual(send(body).content[:5], b"%PDF-")
        self.assertEqual(send({"letters": []}).status_code, 422)
        self.assertEqual(
            self.client.get("/api/letters/parent").json()["fields"][0]["field"], "players"
        )
        self.client.force_login(get_user_model().objects.create_user("other"))
        self.assertEqual(send(body).status_code, 404)
        self.assertEqual(
            self.client.get(f"/api/letters/parent?players={self.player.pk}").status_code, 404
        )


class Tables(LetterCase):
    def rows(self):
        read = csv.DictReader(io.StringIO(table_of([self.player]).removeprefix("\ufeff")))
        return list(read)

    def test_a_standard_reader_finds_every_finding_practice_and_step(self):
        self.enter(self.lessons[0], "observation", "tip.gives", {"4": {"value": -12.5}, "3": 1})
        self.lessons[0].home_days.create(
            date=DAY + timedelta(days=2), done="partly", felt="tight", pain=2
        )
        rows = self.rows()
        first = [row for row in rows if row["date"] == str(DAY)]
        graded = {(r["id"], r["finger"]): r["value"] for r in first if r["kind"] == "finding"}
        self.assertEqual(graded["web.closed", ""], "3")
        self.assertEqual(graded["tip.gives", "3"], "1")
        (measured,) = [row for row in first if row["kind"] == "measure"]
        self.assertEqual((measured["value"], measured["unit"], measured["finger"]),
                         ("-12.5", "degrees", "4"))  # fmt: skip
        kinds = {row["kind"] for row in rows}
        self.assertTrue({"focus", "step", "practice", "pain"} <= kinds)
        self.assertEqual(list(rows[0]), list(COLUMNS))

    def test_lines_end_as_the_standard_says_and_quotes_are_doubled(self):
        """RFC 4180, sections 2.1 and 2.7."""
        self.player.name = 'Pia "P", Example'
        table = table_of([self.player])
        self.assertTrue(table.startswith("\ufeffplayer,"))
        self.assertEqual(table.count("\n"), table.count("\r\n"))
        self.assertIn('"Pia ""P"", Example"', table)

    def test_no_cell_becomes_a_formula(self):
        self.enter(self.lessons[0], "cause", "setup_misfit", {"word": "dismissed", "why": "=1+1"})
        for name in ("=cmd()", "+1", "-2", "@x", "\tx"):
            self.player.name = name
            for row in self.rows():
                with self.subTest(name=name):
                    self.assertEqual(row["player"], f"'{name}")
        (word,) = [row for row in self.rows() if row["kind"] == "word"]
        self.assertEqual(word["note"], "'=1+1")

    def test_it_comes_over_the_web_for_one_and_for_all_of_the_own_players(self):
        self.client.force_login(self.teacher)
        for address in (f"/api/players/{self.player.pk}/table.csv", "/api/players/table.csv"):
            answer = self.client.get(address)
            self.assertIn("text/csv", answer["Content-Type"])
            self.assertIn(b"web.closed", answer.content)
        other = get_user_model().objects.create_user("other")
        self.client.force_login(other)
        self.assertNotIn(b"web.closed", self.client.get("/api/players/table.csv").content)


class Files(StudioCase):
    seconds_each = 6

    def test_every_demo_players_file_is_valid_by_the_schema_that_ships(self):
        """JSON Schema 2020-12, read by the package jsonschema-rs."""
        valid = jsonschema_rs.validator_for(json.loads(SCHEMA.read_text(encoding="utf-8")))
        for player in build_demo(DAY):
            with self.subTest(player=player.name):
                data = json.loads(json.dumps(player_file(player, pictures=True)))
                self.assertEqual([str(error.message) for error in valid.iter_errors(data)], [])
