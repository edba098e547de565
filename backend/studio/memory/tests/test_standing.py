"""What is kept of a player's course is what all records tell, whatever changes in between."""

import random
import shutil
import tempfile
from datetime import timedelta
from pathlib import Path
from unittest import mock

from studio.home.link import make_link
from studio.home.log import log_day
from studio.lessons.flags import lift_flags
from studio.memory import standing, summary
from studio.memory.standing import changes_of, standing_before
from studio.models import StoredStanding, Summary
from studio.tests.studio_case import DAY, StudioCase
from studio.today.day_list import day_rows

GRIP = {"web.closed": 3, "thumb.locked": 3, "nail.pale": 2, "hold.slips": 0, "elbow.behind": 0}
GONE = dict.fromkeys(GRIP, 0)


class KeptStandings(StudioCase):
    def course(self, weeks):
        lessons = []
        for week in range(weeks):
            lesson = self.lesson(week)
            self.look(lesson, GRIP)
            self.enter(lesson, "focus", "", [f.cause for f in self.view(lesson).diagnosis.focus])
            self.give(lesson, *(i.exercise for i in self.view(lesson).proposal.items))
            lessons.append(lesson)
        return lessons

    def kept_and_told(self, lesson):
        def read():
            return standing_before(self.player.pk, lesson.date)

        kept = read()
        StoredStanding.objects.all().delete()
        return kept, read()

    def test_a_change_in_an_earlier_lesson_is_in_all_later_ones(self):
        first, second, third = self.course(3)
        changes = {
            "a grade": lambda: self.look(first, {"web.closed": 1}),
            "late logs": lambda: self.log_late(first, third),
            "a focus": lambda: self.enter(second, "focus", "", ["insecure_hold"]),
            "a plan": lambda: self.give(second, "thumb_taps"),
            "a break": lambda: self.enter(second, "break", "", 6),
        }
        for name, change in changes.items():
            with self.subTest(name):
                before, _ = self.kept_and_told(third)
                change()
                kept, told = self.kept_and_told(third)
                self.assertEqual(kept, told)
                self.assertNotEqual(kept, before)

    def log_late(self, lesson, later):
        token = make_link(lesson.player).token
        for number in (1, 2, 3):
            day = lesson.date + timedelta(days=number)
            log_day(token, {"date": day, "done": "done", "felt": "soft", "pain": 0}, later.date)

    def test_a_lifted_stop_is_in_what_follows(self):
        _, second, third = self.course(3)
        self.enter(second, "reports", "", {"swelling": True})
        self.kept_and_told(third)
        lift_flags(self.player, note="Seen by a doctor, may go on.", on=second.date)
        kept, told = self.kept_and_told(third)
        self.assertEqual(kept, told)

    def test_only_two_are_kept_and_an_older_lesson_can_still_be_read(self):
        lessons = self.course(4)
        for lesson in lessons:
            self.view(lesson).proposal  # noqa: B018 - asked for, as a page does
        self.assertEqual(StoredStanding.objects.count(), 2)
        kept, told = self.kept_and_told(lessons[1])
        self.assertEqual((kept, kept.newest), (told, lessons[0].date))

    def test_what_other_rules_have_made_is_not_used(self):
        lessons = self.course(2)
        good, _ = self.kept_and_told(lessons[1])
        for stale in ({"made_by": "older"}, {"data": {"newest": "never"}}):
            with self.subTest(stale):
                StoredStanding.objects.update(**stale)
                self.assertEqual(self.kept_and_told(lessons[1]), (good, good))

    def test_the_days_list_follows_every_entry(self):
        (lesson,) = self.course(1)
        (row,) = day_rows(self.teacher, DAY)
        self.assertTrue(row.focus)
        self.assertEqual(Summary.objects.count(), 1)
        self.enter(lesson, "focus", "", [])
        self.assertEqual(day_rows(self.teacher, DAY)[0].focus, [])

    def test_nothing_is_kept_that_changed_while_it_was_made(self):
        first, second = self.course(2)
        StoredStanding.objects.all().delete()
        Summary.objects.all().delete()
        told, made = standing._told, summary._summary
        self.is_writing = False
        try:
            for module, name, work in ((standing, "_told", told), (summary, "_summary", made)):
                setattr(module, name, self.meanwhile(work, first))
            day_rows(self.teacher, second.date)
        finally:
            standing._told, summary._summary = told, made
        self.assertFalse(Summary.objects.filter(day__isnull=False).exists())
        kept, told_anew = self.kept_and_told(second)
        self.assertEqual(kept, told_anew)

    def meanwhile(self, work, lesson):
        def work_while_somebody_writes(*arguments):
            found = work(*arguments)
            if not self.is_writing:  # what is written asks for the standing itself
                self.is_writing = True
                before = changes_of([self.player.pk])
                self.look(lesson, {"web.closed": 2 if before[self.player.pk] % 2 else 1})
                self.is_writing = False
            return found

        return work_while_somebody_writes

    def test_a_year_of_lessons_with_changes_to_earlier_ones(self):
        """Whatever order things come in, what is kept is what all records tell."""
        chance, lessons, read = random.Random(4), [], 0
        for week in range(52):
            if week and chance.random() < 0.15:
                continue  # no lesson
            lesson = self.lesson(week)
            lessons.append(lesson)
            if chance.random() < 0.1:
                lesson.is_glance = True
                lesson.save()
            self.look(lesson, {name: chance.choice((0, 1, 3)) for name in GRIP})
            if not lesson.is_glance:
                self.enter(lesson, "focus", "", chance.choice((["thumb_index_grip"], [])))
                self.give(lesson, *chance.sample(("thumb_taps", "rod_pivot", "easy_melody"), 2))
            self.change_something(chance.choice(lessons), lesson, chance)
            if chance.random() < 0.3:
                kept, told = self.kept_and_told(lesson)
                self.assertEqual(kept, told)
                listed = summary.summaries_of([self.player.pk], lesson.date)
                Summary.objects.all().delete()
                self.assertEqual(listed, summary.summaries_of([self.player.pk], lesson.date))
                read += 1
        self.assertGreater(read, 8)

    def change_something(self, earlier, now, chance):
        kind = chance.choice(("grade", "break", "harder", "stop", "log", "nothing"))
        if kind == "grade":
            self.look(earlier, {"web.closed": chance.choice((0, 1, 2, 3))})
        elif kind == "break":
            self.enter(earlier, "break", "", chance.choice((0, 2, 5)))
        elif kind == "harder":
            self.enter(earlier, "harder", "", chance.random() < 0.5)
        elif kind == "stop":
            self.enter(now, "reports", "", {"swelling": True})
            lift_flags(self.player, note="Seen by a doctor, may go on.", on=now.date)
        elif kind == "log" and not earlier.is_glance:
            day = {"date": earlier.date, "done": "done", "felt": "soft", "pain": 0}
            log_day(make_link(earlier.player).token, day, earlier.date)


class MadeBy(StudioCase):
    def test_another_wording_makes_what_was_kept_anew(self):
        """Kept terms and summaries hold sentences."""
        with tempfile.TemporaryDirectory() as folder:
            words = Path(folder) / "en"
            shutil.copytree(standing.WORDS / "en", words)
            with mock.patch.object(standing, "WORDS", Path(folder)):
                standing.made_by.cache_clear()
                self.addCleanup(standing.made_by.cache_clear)
                before = standing.made_by()
                with (words / "again.ftl").open("a", encoding="utf-8") as file:
                    file.write("another = word\n")
                standing.made_by.cache_clear()
                self.assertNotEqual(standing.made_by(), before)
