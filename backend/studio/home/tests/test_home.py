"""The private link: who may open it, what a log does, and when it ends."""

from datetime import timedelta

from icalendar import Calendar

from studio.entries import undo
from studio.errors import StudioError
from studio.home.link import keep_link, link_of, make_link, open_link, revoke_link
from studio.home.log import answer_later, log_day
from studio.home.week_at_home import week_before
from studio.lessons.flags import lift_flags
from studio.models import HomeDay, Plan, PracticeResult, RedFlag
from studio.players.file import player_file
from studio.sheet.calendar import week_calendar
from studio.sheet.sheet import build_sheet
from studio.tests.studio_case import DAY, GRIP, StudioCase


class HomeCase(StudioCase):
    def setUp(self):
        super().setUp()
        self.given = self.whole_lesson(0, GRIP)
        self.token = make_link(self.given.player).token

    def log(self, day, token=None, today=None, **more):
        data = {"date": DAY + timedelta(days=day), "done": "done", "felt": "soft", **more}
        return log_day(token or self.token, data, today or DAY + timedelta(days=day))

    def assert_refused(self, code, call, field=""):
        with self.assertRaises(StudioError) as caught:
            call()
        self.assertEqual((caught.exception.code, caught.exception.field), (code, field))


class Links(HomeCase):
    def test_it_opens_the_week_and_shows_its_exercises(self):
        week = open_link(self.token, DAY)
        self.assertEqual(len(week.items), self.given.plan.items.count())
        self.assertGreaterEqual(len(self.token), 40)

    def test_minutes_are_one_number_for_teacher_sheet_phone_and_calendar(self):
        self.client.force_login(self.teacher)
        plan = self.client.get(f"/api/lessons/{self.given.pk}").json()["plan"]
        told = plan["minutes_a_day"]
        self.assertEqual(2 * told % 1, 0, "halves of a minute")
        sheet = build_sheet(self.given)
        week = open_link(self.token, DAY)
        self.assertEqual((sheet.minutes_a_day, week.minutes), (told, told))
        each = [item["minutes"] for item in plan["items"]]
        self.assertEqual([item.minutes for item in sheet.items], each)
        calendar = Calendar.from_ical(week_calendar(week))
        lengths = {event.get("duration").dt for event in calendar.walk("VEVENT")}
        self.assertEqual(lengths, {timedelta(minutes=told)})

    def test_it_ends_when_revoked_renewed_or_eight_weeks_after_the_last_lesson(self):
        self.assert_refused("not_found", lambda: open_link("x" * 43, DAY), "link")
        self.assert_refused("link_gone", lambda: open_link(self.token, DAY + timedelta(days=57)))
        new = make_link(self.given.player).token
        self.assert_refused("not_found", lambda: open_link(self.token, DAY), "link")
        revoke_link(self.given.player)
        self.assert_refused("link_gone", lambda: open_link(new, DAY))
        self.assertIsNone(link_of(self.given.player))

    def test_who_asks_for_the_link_twice_ends_nothing(self):
        self.assertEqual(keep_link(self.given.player).token, self.token)
        revoke_link(self.given.player)
        new = keep_link(self.given.player)
        self.assertNotEqual(new.token, self.token)
        self.assertEqual(keep_link(self.given.player), new)

    def test_it_outlives_the_week_and_shows_the_one_in_force(self):
        for weeks in range(1, 4):
            newer = self.whole_lesson(weeks, GRIP)
            self.assertEqual(open_link(self.token, newer.date).lesson, newer)
        self.lesson(4)  # one that gave no week
        later = DAY + timedelta(weeks=4)
        self.assertEqual(open_link(self.token, later).lesson, newer)
        self.assertEqual(open_link(self.token, later).open_until, later + timedelta(days=56))
        self.assertEqual(open_link(self.token, DAY + timedelta(days=4)).lesson, self.given)

    def test_an_ended_one_is_not_taken_up_by_a_new_week(self):
        revoke_link(self.player)
        newer = self.whole_lesson(1, GRIP)
        self.assert_refused("link_gone", lambda: open_link(self.token, newer.date))

    def test_there_is_no_link_without_a_week(self):
        Plan.objects.all().delete()
        self.assert_refused("bad_input", lambda: make_link(self.player), "lesson")
        self.assert_refused("link_gone", lambda: open_link(self.token, DAY))


class LateLogs(HomeCase):
    """A day that comes later is judged by what it held when it was its turn."""

    def held(self):
        found = PracticeResult.objects.filter(lesson=None).order_by("date")
        days = {}
        for result in found:
            days.setdefault((result.date - DAY).days, set()).add(result.item.exercise)
        return days

    def planned(self, day):
        return {i.exercise for i in self.given.plan.items.all() if day in i.days}

    def test_days_sent_a_week_later_count_for_their_own_exercises(self):
        for day in (1, 2, 3):
            self.log(day, today=DAY + timedelta(days=6))
        self.assertEqual(self.held(), {day: self.planned(day) for day in (1, 2, 3)})
        review = self.view(self.lesson(1)).review
        self.assertTrue([r for r in review if r.advice.move.value == "go on"])

    def test_a_day_made_up_counts_and_is_not_asked_again(self):
        for item in self.given.plan.items.all():
            item.days = [1, 2, 5]
            item.save()
        self.log(2)
        self.log(3)
        self.assertEqual(self.held()[3], {i.exercise for i in self.given.plan.items.all()})
        days = open_link(self.token, DAY + timedelta(days=4)).days
        self.assertEqual({tuple(each) for each in days.values()}, {(2, 3, 5)})

    def test_changing_a_log_changes_its_results(self):
        self.log(1)
        self.log(1, felt="tight", pain=1)
        results = PracticeResult.objects.filter(date=DAY + timedelta(days=1))
        self.assertEqual({(r.passed, r.tighter, r.pain) for r in results}, {(False, True, 1)})
        self.assertEqual(results.count(), len(self.planned(1)))

    def test_a_day_counts_for_the_week_that_held_it_however_late_it_comes(self):
        newer = self.whole_lesson(1, GRIP)
        after = newer.date + timedelta(days=2)
        self.assertEqual(self.log(3, today=after).lesson, newer)
        self.assertEqual(self.held(), {3: self.planned(3)})
        self.log(7, today=after)  # the day of the newer lesson, before it
        self.log(8, today=after)
        days = {log.date: log.lesson for log in HomeDay.objects.all()}
        self.assertEqual(days[newer.date], self.given)
        self.assertEqual(days[newer.date + timedelta(days=1)], newer)
        self.assertTrue(self.view(newer).review[0].days_done)
        self.assert_refused("bad_input", lambda: self.log(-1, today=after), "date")


class Logs(HomeCase):
    def results(self):
        return PracticeResult.objects.filter(lesson=None).order_by("date", "item__order")

    def test_done_and_soft_is_right_for_every_exercise_of_that_day(self):
        self.log(1)
        planned = [i for i in self.given.plan.items.all() if 1 in i.days]
        self.assertEqual(self.results().count(), len(planned))
        self.assertTrue(all(r.passed and r.pain == 0 and not r.tighter for r in self.results()))

    def test_partly_or_tight_is_not_right_and_tight_is_kept(self):
        self.log(1, done="partly", felt="mixed")
        self.assertFalse(any(r.passed or r.tighter for r in self.results()))
        self.log(2, felt="tight")
        self.assertTrue(self.results().last().tighter)

    def test_a_later_log_of_the_day_replaces_it_and_not_takes_it_back(self):
        self.log(1)
        self.log(1, done="not", felt="")
        self.assertEqual(HomeDay.objects.count(), 1)
        self.assertEqual(self.results().count(), 0)

    def test_a_missed_day_moves(self):
        week = self.log(2)
        self.assertTrue(all(1 not in days for days in week.days.values()))

    def test_three_soft_days_let_the_exercise_go_on_in_the_next_lesson(self):
        for day in (1, 2, 3):
            self.log(day)
        review = self.view(self.lesson(1)).review
        every_day = [r for r in review if {1, 2, 3} <= set(r.item.days)]
        self.assertTrue(every_day)
        self.assertTrue(all(r.advice.move.value == "go on" for r in every_day))

    def test_pain_of_four_or_a_red_sign_pauses_the_week_and_flags_the_teacher(self):
        for more in ({"pain": 4}, {"signs": ["numbness"]}):
            with self.subTest(more):
                week = self.log(1, **more)
                self.assertEqual(week.items, [])
                self.assertTrue(self.view(self.lesson(1)).safety.is_red)
                lift_flags(self.player, note="seen by a doctor today", on=DAY)

    def test_the_next_lessons_answers_do_not_take_the_flag_of_home_back(self):
        self.log(1, pain=6)
        lesson = self.lesson(1)
        self.enter(lesson, "reports", "", {})
        self.enter(self.given, "reports", "", {})
        self.assertTrue(RedFlag.objects.filter(lifted_on=None, from_home=True).exists())
        self.assertTrue(self.view(lesson).safety.is_red)

    def test_slight_pain_at_home_eases_the_next_week_off_for_a_week(self):
        self.log(5, pain=2)
        self.assertTrue(self.view(self.lesson(1)).safety.is_amber)
        self.assertFalse(self.view(self.lesson(2)).safety.is_amber)

    def test_bad_logs_name_their_field_and_keep_nothing(self):
        bad = [
            ("date", {"date": DAY - timedelta(days=1)}),
            ("date", {"date": DAY + timedelta(days=9)}),
            ("date", {"date": "yesterday"}),
            ("done", {"done": "maybe"}),
            ("felt", {"felt": "great"}),
            ("pain", {"pain": 11}),
            ("pain", {"pain": 2.5}),
            ("signs", {"signs": ["mood"]}),
            ("signs", {"signs": "numbness"}),
        ]
        for field, more in bad:
            with self.subTest(field=field, more=more):
                self.assert_refused("bad_input", lambda more=more: self.log(1, **more), field)
        self.assertFalse(HomeDay.objects.exists())

    def test_the_teacher_sees_what_came_home_before_asking(self):
        self.assertIsNone(week_before(self.given))
        self.log(1)
        self.log(2, done="partly", felt="tight", pain=1)
        before = week_before(self.lesson(1))
        self.assertEqual(before, self.given)
        self.assertEqual(
            [(d.done, d.felt, d.pain) for d in before.home_days.all()],
            [("done", "soft", 0), ("partly", "tight", 1)],
        )

    def test_some_of_it_counts_for_what_was_done_of_it(self):
        items = list(self.given.plan.items.all())
        day = 1
        while len(here := [item for item in items if day in item.days]) < 2:
            self.log(day)
            day += 1
        first = here[0]
        self.log(day, done="partly", parts=[first.exercise])
        results = PracticeResult.objects.filter(date=DAY + timedelta(days=day))
        self.assertEqual([(r.item, r.passed) for r in results.all()], [(first, True)])
        self.log(day, done="partly")
        self.assertGreater(results.count(), 1)
        self.assertFalse(results.filter(passed=True).exists())
        with self.assertRaises(StudioError) as caught:
            self.log(day, done="partly", parts=["no_such"])
        self.assertEqual(caught.exception.field, "parts")


class PaperWeeks(HomeCase):
    def test_the_player_tells_the_days_where_no_log_came_home(self):
        lesson = self.lesson(1)
        week = [str(DAY + timedelta(days=number)) for number in range(1, 7)]
        self.enter(lesson, "practised", "", [week[3], week[0]])
        lesson.refresh_from_db()
        self.assertEqual(lesson.practised, [week[0], week[3]])
        for bad in ([str(DAY)], [str(lesson.date)], ["soon"], "soon"):
            with self.subTest(bad=bad), self.assertRaises(StudioError) as caught:
                self.enter(lesson, "practised", "", bad)
            self.assertEqual(caught.exception.field, "practised")
        undo(lesson.pk)
        lesson.refresh_from_db()
        self.assertIsNone(lesson.practised)

    def test_the_lesson_asks_for_them_unless_something_was_logged(self):
        self.client.force_login(self.teacher)
        lesson = self.lesson(1)
        told = self.client.get(f"/api/lessons/{lesson.pk}").json()
        self.assertEqual(len(told["paper_week"]["days"]), 6)
        self.assertIsNone(told["paper_week"]["practised"])
        self.log(1)
        told = self.client.get(f"/api/lessons/{lesson.pk}").json()
        self.assertIsNone(told["paper_week"])
        self.assertEqual(len(told["home"]["days"]), 1)


class ItHurts(HomeCase):
    """A touch on *It hurts* counts at once; how much, and whether it was nothing, may come later."""

    def day(self, number=1):
        return HomeDay.objects.get(date=DAY + timedelta(days=number))

    def test_a_touch_alone_eases_the_week_and_is_asked_about_the_next_day(self):
        week = self.log(1, done="not", felt="", hurt="open")
        self.assertTrue(week.is_eased)
        self.assertFalse(RedFlag.objects.exists())
        self.assertEqual((self.day().pain, self.day().felt_pain), (0, 1.0))
        later = DAY + timedelta(days=2)
        answer_later(self.token, DAY + timedelta(days=1), ["night"], later)
        flag = RedFlag.objects.get()
        self.assertEqual((flag.lifted_on, flag.pain), (None, None), "nobody said how much")

    def test_the_next_lesson_asks_about_it_by_day_and_gives_nothing_before(self):
        self.log(1, done="not", felt="", hurt="open")
        lesson = self.lesson(1)
        view = self.view(lesson)
        self.assertTrue(view.is_asking)
        self.assertTrue(view.safety.is_amber)

    def test_that_it_was_nothing_is_kept_and_eases_no_more(self):
        self.log(1, done="not", felt="", hurt="open")
        week = self.log(1, done="done", felt="soft", hurt="nothing")
        self.assertFalse(week.is_eased)
        self.assertEqual((self.day().hurt, self.day().felt_pain), ("nothing", 0))
        self.assertFalse(self.view(self.lesson(1)).is_asking)

    def test_pain_of_last_weeks_and_a_touch_alone_stop_nothing_yet(self):
        """A mistaken touch must not stop a week that only a word can free again."""
        for day in (1, 8):
            self.log(day, pain=2, place="wrist")
        before = RedFlag.objects.count()
        self.log(16, done="not", felt="", hurt="open", today=DAY + timedelta(days=16))
        self.assertEqual(RedFlag.objects.count(), before)

    def test_what_is_no_answer_is_refused_by_its_name(self):
        for field, value in (("hurt", "much"), ("one_thing", "always")):
            with self.subTest(field):
                self.assert_refused(
                    "bad_input", lambda f=field, v=value: self.log(1, **{f: v}), field
                )


class OneThingAtHome(HomeCase):
    def test_it_comes_home_and_outlives_a_player_file(self):
        self.log(1, one_thing="partly")
        self.assertEqual(self.given.home_days.get().one_thing, "partly")
        told = player_file(self.given.player)["lessons"][0]["home_days"][0]
        self.assertEqual((told["one_thing"], told["hurt"]), ("partly", ""))

    def test_on_the_day_of_a_lesson_a_log_is_of_the_week_that_was_open(self):
        newer = self.whole_lesson(1, GRIP)
        day = newer.date
        for given_on, lesson in (
            (newer.date, newer),
            (self.given.date, self.given),
            (None, self.given),
        ):
            with self.subTest(given_on):
                HomeDay.objects.all().delete()
                data = {"date": day, "done": "done", "felt": "soft", "given_on": given_on}
                log_day(self.token, data, day)
                self.assertEqual(HomeDay.objects.get().lesson, lesson)
