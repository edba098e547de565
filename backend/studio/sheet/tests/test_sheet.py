"""The practice sheet: its words, its pages, what it says to whom and what it never says."""

import re
from datetime import timedelta
from io import BytesIO
from itertools import product

from pypdf import PdfReader

from lefthand.catalogue.one_things import Reader
from lefthand.tests.effort import usually
from studio.demo.players import build_demo
from studio.errors import StudioError
from studio.home.link import make_link
from studio.lessons.access import lesson_of, start_lesson
from studio.models import HomeDay, Player
from studio.paper.setting import Paper
from studio.sheet.pages import USUAL, PageFor, sheet_data, sheet_pdf, sheets_pdf
from studio.sheet.sheet import build_sheet
from studio.tests.studio_case import DAY, GRIP, StudioCase

DOT = '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1 1"><path d="M0 0h1v1z"/></svg>'
MOST_WORDS = {Reader.CHILD: 180, Reader.TEEN: 220, Reader.ADULT: 220}


class Demo(StudioCase):
    def test_every_sheet_is_short_and_two_pages_at_most_on_either_paper(self):
        sizes = {Paper.A4: (595, 842), Paper.LETTER: (612, 792)}
        for player in build_demo(DAY):
            lesson = player.lessons.filter(plan__isnull=False).last()
            if lesson is None:
                continue
            sheet = build_sheet(lesson)
            with self.subTest(player=player.name):
                self.assertLessEqual(len(words_of(sheet)), MOST_WORDS[sheet.reader])
            ways = list(product(sizes.items(), (False, True)))
            for (paper, (width, height)), large in usually(ways[1:3], ways):
                pages = PdfReader(BytesIO(sheet_pdf(sheet, PageFor(paper, large)))).pages
                with self.subTest(player=player.name, paper=paper, large=large):
                    self.assertLessEqual(len(pages), 3 if large else 2)
                    box = pages[0].mediabox
                    self.assertEqual((round(box.width), round(box.height)), (width, height))
                    for page in pages:
                        self.assertTrue(sheet.paused or "It hurts" in page.extract_text())


def words_of(sheet):
    """Words of the first page but for its music, which has numbers and names of strings alone."""
    reader = PdfReader(BytesIO(sheet_pdf(sheet, PageFor(code=DOT))))
    return re.findall(r"[A-Za-z][a-z’'-]+", reader.pages[0].extract_text())


class Sheets(StudioCase):
    seconds_each = 6

    def text(self, lesson):
        return self.read(build_sheet(lesson_of(self.teacher, lesson.pk)))

    def read(self, sheet, page=USUAL):
        reader = PdfReader(BytesIO(sheet_pdf(sheet, page)))
        return reader, " ".join(" ".join(p.extract_text() for p in reader.pages).split())

    def test_the_pdf_has_the_week_and_drawn_music_and_shows_the_least(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps", "feather_pattern")
        self.enter(lesson, "line", "", "Four soft taps.")
        reader, text = self.text(lesson)
        self.assertEqual(len(reader.pages), 1)
        self.assertTrue(reader.trailer["/Root"]["/MarkInfo"]["/Marked"])
        for words in (
            "Your thumb only touches. It never holds.",
            "A squeezing thumb makes every finger slow.",
            "Thumb taps",
            "2 × 10 taps",
            "Stop when",
            "Four soft taps.",
            "falls and adds nothing",
            "It hurts, tingles or goes numb?",
        ):
            self.assertIn(words, text)
        for words in ("Example", "2014", "web.closed", "pale", "Thumb squeezes", "likely"):
            self.assertNotIn(words, text)

    def test_a_child_is_spoken_to_as_a_child_and_an_adult_is_not(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps")
        item = build_sheet(lesson_of(self.teacher, lesson.pk)).items[0]
        self.assertEqual(item.child, "")
        self.assertEqual(item.picture.words, ("thumb at the neck", "thumb in the air"))
        for age, words, others in (
            (8, ("Your thumb is a feather", "Fetch a grown-up", "Helper"), ("tell your teacher",)),
            (30, ("The thumb only touches", "tell your teacher"), ("grown-up", "Helper")),
        ):
            with self.subTest(age):
                self.player.birth_year = DAY.year - age
                self.player.save()
                _, text = self.text(lesson)
                for each in words:
                    self.assertIn(each, text)
                for each in others:
                    self.assertNotIn(each, text)

    def test_what_is_looked_at_where_a_tune_stops_stands_beside_it(self):
        lesson = self.lesson()
        self.look(lesson, {"tip.gives": {"4": 2}})
        self.give(lesson, "stop_and_shape")
        _, text = self.text(lesson)
        self.assertIn("thumb soft elbow free finger round", text)
        (item,) = sheet_data(build_sheet(lesson_of(self.teacher, lesson.pk)), USUAL)["items"]
        self.assertEqual(item["looks"][0]["words"], "thumb soft")

    def test_its_hands_and_those_of_the_lesson_have_the_thumb_where_it_is_taught(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps")
        self.client.force_login(self.teacher)
        drawn, told = set(), []
        for place in ("first", "second", "low"):
            self.player.way_of_teaching = {"thumb_place": place}
            self.player.save()
            (item,) = build_sheet(lesson_of(self.teacher, lesson.pk)).items
            drawn.add(item.picture.frames[0])
            told.append(self.client.get(f"/api/lessons/{lesson.pk}").json()["thumb"])
        self.assertEqual((len(drawn), told), (3, ["", "second", "low"]))

    def test_the_ear_is_told_only_where_a_flat_finger_has_come_right(self):
        table = ((None, 0, False), (3, 0, True), (1, 0, False), (2, 1, False), (2, None, False))
        for number, (before, now, is_said) in enumerate(table):
            earlier, later = self.lesson(2 * number), self.lesson(2 * number + 1)
            self.look(earlier, {**GRIP, **({} if before is None else {"fourth.low": before})})
            self.look(later, {**GRIP, **({} if now is None else {"fourth.low": now})})
            self.give(later, "thumb_taps")
            _, text = self.text(later)
            with self.subTest(before=before, now=now):
                self.assertEqual("so it was low before" in text, is_said)

    def test_a_helper_who_carries_the_scroll_is_named_before_the_first_step(self):
        carried = "A helper carries the scroll."
        self.player.helper_at_home = True
        self.player.save()
        for week, (slips, is_said) in enumerate(((0, False), (3, True))):
            with self.subTest(slips=slips):
                lesson = self.lesson(week)
                self.look(lesson, {**GRIP, "hold.slips": slips})
                self.give(lesson, "thumb_taps")
                sheet, text = build_sheet(lesson_of(self.teacher, lesson.pk)), self.text(lesson)[1]
                self.assertEqual(sheet.items[0].short_steps[0] == carried, is_said)
                self.assertEqual(carried in text, is_said)

    def test_the_teachers_own_words_win_and_empty_gives_ours_back(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps")
        self.enter(lesson, "one_thing", "", "  Thumb like   a cloud. ")
        _, text = self.text(lesson)
        self.assertIn("Thumb like a cloud.", text)
        self.assertNotIn("It never holds", text)
        self.enter(lesson, "one_thing", "", "")
        self.assertIn("It never holds", self.text(lesson)[1])
        with self.assertRaises(StudioError) as caught:
            self.enter(lesson, "one_thing", "", "soft " * 20)
        self.assertEqual(caught.exception.field, "one_thing")

    def test_an_eased_week_says_so_with_the_dose_before_and_now(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps")
        day = DAY + timedelta(days=1)
        HomeDay.objects.create(lesson=lesson, date=day, done="partly", pain=2, place="skin")
        HomeDay.objects.create(lesson=lesson, date=DAY, done="partly", pain=1, place="back")
        sheet = build_sheet(lesson_of(self.teacher, lesson.pk), DAY + timedelta(days=1))
        item = sheet_data(sheet)["items"][0]
        self.assertTrue(sheet.eased)
        self.assertEqual((item["before"], item["dose"]), ("2 × 10 taps", "10 taps"))
        _, text = self.read(sheet)
        self.assertIn("Easing off this week: half of it", text)

    def test_the_days_begin_after_the_lesson_and_say_which_is_the_next(self):
        self.player.weekday = DAY.weekday()
        self.player.save()
        lesson = self.lesson()
        self.give(lesson, "thumb_taps", "arch_on_table")
        plan = lesson_of(self.teacher, lesson.pk).plan
        for item, days in zip(plan.items.all(), ([1, 2, 4], [1, 4]), strict=True):
            item.days = days
            item.save()
        days = build_sheet(lesson_of(self.teacher, lesson.pk)).days
        self.assertEqual(days[0].weekday, f"{DAY + timedelta(days=1):%a}")
        held = [day.exercises for day in days]
        self.assertEqual(held, [(1, 2), (1,), (), (1, 2), (), (), ()])
        self.assertEqual([day.is_lesson for day in days], [False] * 6 + [True])

    def test_a_code_stands_on_it_only_where_a_phone_can_open_it(self):
        lesson = self.whole_lesson(0, GRIP)
        sheet = build_sheet(lesson_of(self.teacher, lesson.pk))
        self.assertNotIn("hear, see, log", self.read(sheet)[1])
        self.assertIn("hear, see, log", self.read(sheet, PageFor(code=DOT))[1])
        make_link(self.player)
        self.client.force_login(self.teacher)
        address = f"/api/lessons/{lesson.pk}/sheet/pages"
        pictures = {}
        for host in ("localhost", "studio.example"):
            with self.settings(ALLOWED_HOSTS=["*"]):
                (page,) = self.client.get(address, headers={"host": host}).json()["pages"]
                pictures[host] = page.count("<image")
        self.assertEqual(pictures["studio.example"], pictures["localhost"] + 1)

    def test_music_is_on_the_sheet_where_the_step_has_music(self):
        lesson = self.lesson()
        self.give(lesson, "thumb_taps", "feather_pattern")
        music = [item.music for item in build_sheet(lesson_of(self.teacher, lesson.pk)).items]
        self.assertIsNone(music[0])
        self.assertIn("<svg", music[1])

    def test_a_paused_sheet_has_no_exercises_and_says_whom_to_see(self):
        lesson = self.whole_lesson(0, GRIP)
        self.enter(lesson, "reports", "", {"numbness": True})
        _, text = self.text(lesson)
        self.assertIn("doctor or a physiotherapist", text)
        self.assertNotIn("Thumb taps", text)

    def test_any_text_prints_though_the_fonts_lack_its_letters(self):
        lesson = self.whole_lesson(0, GRIP)
        plain, odd = ("Łukasz Ωmega", "Жанна"), ("\ue000", "ẹ́", "ا لع")
        lacking = ("李娜", "👩🏽‍🎤 Pia")
        for name in (*plain, *odd, *lacking):
            with self.subTest(name):
                self.player.name = name
                self.player.save()
                self.enter(lesson, "line", "", f"{name} soft")
                told = self.assertLogs if name in lacking else self.assertNoLogs
                with told("jolf.paper", "WARNING"):
                    reader, text = self.text(lesson)
                if name in plain:
                    self.assertIn(name.split()[0], text)
                self.assertIn("soft", text)
                self.assertGreaterEqual(len(reader.pages), 1)

    def test_words_with_signs_of_the_page_language_stay_words(self):
        lesson = self.lesson()
        self.give(lesson, "thumb_taps")
        self.enter(lesson, "line", "", "#[*x*] $1$ @you \\ <b> ♯ ♭")
        self.assertIn("#[*x*] $1$ @you \\ <b>", self.text(lesson)[1])


class ForOthers(Sheets):
    def test_a_helper_gets_a_page_that_needs_no_music_and_says_what_not_to_do(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps", "feather_pattern")
        sheet = build_sheet(lesson_of(self.teacher, lesson.pk))
        alone, _ = self.read(sheet)
        reader, _ = self.read(sheet, PageFor(helper=True))
        self.assertEqual(len(reader.pages), len(alone.pages) + 1)
        page = " ".join(reader.pages[-1].extract_text().split())
        for item in sheet.items:
            self.assertIn(item.exercise.name, page)
            self.assertIn(item.brief.see[1:], page)
            self.assertIn(item.brief.stop, page)
        for words in ("helper", sheet.one.say, sheet.one.ask, "with your own hand", "It hurts"):
            self.assertIn(words, page)
        self.assertNotIn("♩", page)

    def test_no_helper_is_sent_to_practise_under_a_stop(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps")
        self.enter(lesson, "reports", "", {"numbness": True})
        sheet = build_sheet(lesson_of(self.teacher, lesson.pk))
        self.assertTrue(sheet.paused)
        reader, text = self.read(sheet, PageFor(helper=True))
        self.assertEqual(len(reader.pages), 1)
        self.assertNotIn("helper", text)

    def test_a_class_is_one_print_in_which_each_sheet_is_as_it_is_alone(self):
        players = [
            self.player,
            Player.objects.create(teacher=self.teacher, name="Cora Lind", instrument="vn"),
        ]
        alone = []
        for player in players:
            lesson = start_lesson(player, DAY)
            self.look(lesson, GRIP)
            self.give(lesson, "thumb_taps", "feather_pattern")
            alone.append(build_sheet(lesson_of(self.teacher, lesson.pk)))
        together = PdfReader(BytesIO(sheets_pdf([(sheet, USUAL) for sheet in alone])))
        pages = [page.extract_text() for sheet in alone for page in self.read(sheet)[0].pages]
        self.assertEqual([page.extract_text() for page in together.pages], pages)
        self.assertTrue(together.trailer["/Root"]["/MarkInfo"]["/Marked"])
        for name in ("Pia", "Cora"):
            self.assertIn(name, together.metadata.title)
