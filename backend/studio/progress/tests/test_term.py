"""What has changed over a player's lessons: read from the records, kept, and made anew."""

from datetime import timedelta

from lefthand.change.work import work_on
from lefthand.drawing.term.ground import Size
from lefthand.drawing.term.picture import Span, term_picture
from studio.desk.desk import set_players_way, set_teachers_way, set_thresholds
from studio.home.link import make_link
from studio.home.log import answer_later, log_day, take_back_stop
from studio.lessons.access import glance_lesson
from studio.lessons.flags import lift_flags
from studio.models import HomeDay, Summary
from studio.progress.course import course_of
from studio.progress.term import SHAPE, lines_of, term_page, told_term
from studio.tests.studio_case import DAY, GRIP, StudioCase
from studio.today.attention import lines_today, shares_of
from studio.today.day_list import day_rows

GONE = dict.fromkeys(GRIP, 0)


class TermCase(StudioCase):
    def weeks(self, *looks):
        return [self.whole_lesson(week, look) for week, look in enumerate(looks)]

    def page(self, weeks):
        self.player.refresh_from_db()
        return term_page(self.player, DAY + timedelta(weeks=weeks))


class Courses(TermCase):
    def test_lessons_practice_and_pain_are_read_as_they_were_entered(self):
        _, second = self.weeks(GRIP, {"web.closed": 1})
        token = make_link(self.player).token
        for day in (1, 2):
            log_day(token, {"date": DAY + timedelta(days=day), "done": "done", "felt": "soft"},
                    DAY + timedelta(days=day))  # fmt: skip
        log_day(token, {"date": DAY + timedelta(days=3), "done": "not"}, DAY + timedelta(days=3))
        self.enter(second, "harder", "", True)
        self.enter(second, "reports", "", {"pain": 2, "place": "thumb"})
        found = course_of(self.player, DAY + timedelta(weeks=1))
        one, two = found.course.lessons
        self.assertEqual((one.practice, one.focus), (None, ("thumb_index_grip",)))
        self.assertEqual((two.practice.done, two.is_harder, two.pain), (2, True, 2))
        self.assertEqual(len(found.facts.practice), 2)
        self.assertEqual(found.facts.pains, [(second.date, 2, "thumb")])
        self.assertIn("thumb_taps", one.plan)

    def test_practice_is_unknown_where_nobody_logged_or_asked(self):
        _, second = self.weeks(GRIP, GRIP)
        on = DAY + timedelta(weeks=1)
        self.assertIsNone(course_of(self.player, on).course.lessons[1].practice)
        day = str(DAY + timedelta(days=2))
        self.enter(second, "practised", "", [day])
        self.assertEqual(course_of(self.player, on).course.lessons[1].practice.done, 1)
        self.enter(second, "practised", "", [])
        self.assertEqual(course_of(self.player, on).course.lessons[1].practice.done, 0)

    def test_a_look_over_a_class_in_between_loses_and_doubles_nothing(self):
        first, last = self.weeks(GRIP, GRIP)
        planned = {day for item in first.plan.items.all() for day in item.days}
        for number, pain in ((1, 0), (2, 3), (5, 0)):
            first.home_days.create(
                date=DAY + timedelta(days=number), done="done", felt="soft", pain=pain
            )
        glance = glance_lesson(self.player, DAY + timedelta(days=3))
        found = course_of(self.player, last.date).course.lessons
        self.assertEqual([each.on for each in found], [first.date, glance.date, last.date])
        self.assertEqual([each.pain for each in found], [0, 3, 0])
        practice = [each.practice for each in found[1:]]
        self.assertEqual([each.done for each in practice], [2, 1])
        self.assertEqual(sum(each.planned for each in practice), len(planned))

    def test_later_lessons_and_other_players_stay_out(self):
        self.weeks(GRIP, GRIP, GRIP)
        self.assertEqual(len(course_of(self.player, DAY + timedelta(weeks=1)).lessons), 2)


class Pages(TermCase):
    def test_nobody_without_a_lesson_has_a_term(self):
        self.assertIsNone(self.page(0).term)

    def test_what_got_better_is_said_and_the_next_step_with_it(self):
        self.weeks(GRIP, GRIP, {"web.closed": 1, "thumb.locked": 1, "nail.pale": 1}, *[GONE] * 4)
        page = self.page(6)
        self.assertEqual(page.term.better, "Thumb squeezes: gone.")
        self.assertEqual(page.term.next.step, "keep_alive")
        self.assertTrue(page.line.ready)
        (grip,) = [each for each in page.term.strings if each.cause == "thumb_index_grip"]
        self.assertEqual((grip.answer, len(grip.trouble)), ("gone", 7))
        self.assertGreater(grip.steps[0][2], 1)

    def test_it_is_kept_and_made_anew_when_anything_changes(self):
        lessons = self.weeks(GRIP, GRIP)
        page = self.page(1)
        with self.assertNumQueries(2):  # the player, and what is kept
            kept = self.page(1)
        self.assertEqual(SHAPE.dump_json(kept), SHAPE.dump_json(page))
        changes = (
            lambda: self.enter(lessons[0], "observation", "web.closed", 1),
            lambda: HomeDay.objects.exists() or self.log(lessons[1]),
            lambda: set_teachers_way(self.teacher, "carry", "body"),
            lambda: set_players_way(self.player, "carry", "hand"),
            lambda: set_thresholds(self.teacher, "hold_seconds", [5, 3, 1]),
            lambda: self.enter(lessons[1], "reports", "", {"numbness": True}),
            lambda: lift_flags(self.player, note="seen by a doctor", on=lessons[1].date),
        )
        for change in changes:
            self.page(1)
            self.assertTrue(Summary.objects.filter(term__isnull=False).exists())
            change()
            self.assertFalse(Summary.objects.filter(term__isnull=False).exists())

    def log(self, lesson):
        day = lesson.date + timedelta(days=1)
        log_day(make_link(self.player).token, {"date": day, "done": "done", "felt": "soft"}, day)

    def test_what_was_kept_by_a_past_version_is_made_anew(self):
        self.weeks(GRIP)
        self.page(0)
        Summary.objects.update(term={"term": "of another shape"})
        self.assertEqual(len(self.page(0).lessons), 1)

    def test_a_stop_is_the_next_step_and_stands_in_the_picture(self):
        lesson = self.weeks(GRIP, GRIP)[1]
        self.enter(lesson, "reports", "", {"numbness": True})
        page = self.page(1)
        self.assertEqual(page.term.next.step, "stop")
        self.assertEqual(page.term.stops[0].start, 7)
        lift_flags(self.player, note="seen by a doctor", on=lesson.date)
        self.assertNotEqual(self.page(1).term.next.step, "stop")

    def test_a_stop_from_home_is_known_at_once_and_gone_when_it_is_taken_back(self):
        self.weeks(GRIP)
        token, day = make_link(self.player).token, DAY + timedelta(days=1)
        log_day(token, {"date": day, "done": "done", "felt": "soft", "pain": 2}, day)
        self.assertEqual(self.page(0).term.next.step, "ease_off")
        later = DAY + timedelta(days=2)
        answer_later(token, day, ["night"], later, client_key="answer-01")
        self.assertEqual(self.page(0).term.next.step, "stop")
        self.assertEqual(self.page(1).term.stops[0].start, 2)
        self.assertEqual(self.page(1).term.last, 7, "it ends at the day on which it is looked at")
        take_back_stop(token, "answer-01", 5, later)
        self.assertEqual(self.page(0).term.next.step, "ease_off")

    def test_a_look_over_a_class_is_no_lesson_of_work(self):
        lessons = self.weeks(*[GRIP] * 5)
        self.player.lessons.filter(pk__in=[each.pk for each in lessons[1:]]).update(is_glance=True)
        found = course_of(self.player, DAY + timedelta(weeks=4)).course
        self.assertEqual(work_on(found, "thumb_index_grip").lessons, 0)

    def test_what_the_teacher_ruled_out_is_proposed_to_nobody(self):
        lessons = self.weeks(*[GRIP] * 7)
        self.assertEqual(self.page(6).term.next.cause, "thumb_index_grip")
        self.enter(lessons[-1], "cause", "thumb_index_grip", {"word": "dismissed", "why": "bow"})
        page = self.page(6)
        self.assertNotEqual(page.term.next.cause, "thumb_index_grip")
        self.assertNotIn("humb squeezes", page.term.next.why + page.term.stuck + page.term.better)
        (grip,) = [each for each in page.term.strings if each.cause == "thumb_index_grip"]
        self.assertEqual(grip.answer, "ruled out by you")

    def test_after_a_year_the_days_have_their_year(self):
        looks = [GRIP, GRIP, {"web.closed": 1, "thumb.locked": 1, "nail.pale": 1}, *[GONE] * 4]
        self.weeks(*looks)
        for weeks in (55, 56):
            self.look(self.lesson(weeks), GONE)
        marks = term_picture(self.page(56).term, Size.WIDE, Span.ALL).marks
        self.assertTrue(any("4 March 2026" in mark.words for mark in marks))

    def test_three_hundred_lessons_are_told_once(self):
        self.weeks(GRIP)
        lesson = self.player.lessons.get()
        rows = [
            type(lesson)(player=self.player, date=DAY - timedelta(weeks=n)) for n in range(1, 300)
        ]
        type(lesson).objects.bulk_create(rows)
        page = told_term(self.player, DAY)
        self.assertEqual(len(page.lessons), 300)


class Lists(TermCase):
    def rows(self, weeks):
        return day_rows(self.teacher, DAY + timedelta(weeks=weeks))

    def test_who_is_stuck_away_or_ready_wants_a_thought(self):
        self.weeks(*[GRIP] * 7)
        on = DAY + timedelta(weeks=6)
        (line,) = lines_today(self.rows(6), on)
        self.assertIn("no clear change", line.words)
        (line,) = lines_today(self.rows(10), DAY + timedelta(weeks=10))
        self.assertEqual(line.words, "Has not come for 4 weeks.")

    def test_who_has_not_come_for_three_weeks_is_named(self):
        self.weeks(GRIP)
        (line,) = lines_today(self.rows(4), DAY + timedelta(weeks=4))
        self.assertEqual(line.words, "Has not come for 4 weeks.")
        self.assertEqual(lines_today(self.rows(1), DAY + timedelta(weeks=1)), [])

    def test_only_so_many_are_told_anew(self):
        self.weeks(GRIP)
        self.assertEqual(lines_of([self.player], DAY, most_told=0), {})
        self.assertEqual(len(lines_of([self.player], DAY, most_told=1)), 1)

    def test_what_went_before_a_change_counts_what_was_practised(self):
        first = self.weeks(GRIP, GRIP, GONE, GONE, GONE)[0]
        on = DAY + timedelta(weeks=4)
        self.assertEqual(shares_of(self.teacher, on).shares, [])
        for number in range(1, 6):
            first.home_days.create(date=DAY + timedelta(days=number), done="done", felt="soft")
        Summary.objects.all().delete()
        found = {s.exercise: s for s in shares_of(self.teacher, on).shares}
        self.assertEqual((found["thumb_taps"].players, found["thumb_taps"].less), (1, 1))
        self.assertTrue(found["thumb_taps"].is_few)
