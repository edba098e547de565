"""Groups: a sweep writes into the players' own lessons and stays with its teacher."""

from datetime import timedelta

from django.contrib.auth import get_user_model
from django.db import connection
from django.test.utils import CaptureQueriesContext

from studio.errors import StudioError
from studio.groups.groups import (
    choose_checks,
    day_seen,
    grade,
    grade_the_rest,
    group_of,
    groups_of,
    proposed_checks,
    save_group,
    sweep,
    weeks_of,
)
from studio.lessons.access import start_lesson
from studio.models import Group, Lesson, Observation, Player
from studio.tests.studio_case import DAY, GRIP, StudioCase


class GroupCase(StudioCase):
    def setUp(self) -> None:
        super().setUp()
        self.cellist = Player.objects.create(teacher=self.teacher, name="Cora", instrument="vc")
        self.third = Player.objects.create(teacher=self.teacher, name="Theo", instrument="vn")
        everybody = [self.player.pk, self.cellist.pk, self.third.pk]
        self.group = save_group(self.teacher, None, "  Thursday   strings ", everybody)

    def grade(self, player, check, value, on=DAY):
        grade(self.group, player.pk, check, value, key=next(self._keys), on=on)

    def swept(self, on=DAY):
        return sweep(group_of(self.teacher, self.group.pk), on)

    def assert_refused(self, field, call):
        with self.assertRaises(StudioError) as caught:
            call()
        self.assertIn(field, (caught.exception.field, caught.exception.code))


class Groups(GroupCase):
    def test_a_group_keeps_a_tidy_name_and_its_players_and_can_change_both(self):
        self.assertEqual(self.group.name, "Thursday strings")
        save_group(self.teacher, self.group, "Friday", [self.cellist.pk])
        self.assertEqual([p.name for p in self.group.players.all()], ["Cora"])
        self.assertEqual(Player.objects.count(), 3)

    def test_removing_a_group_keeps_its_players_and_lessons(self):
        choose_checks(self.group, ["tip.gives"])
        self.grade(self.player, "tip.gives", 2)
        self.group.delete()
        self.assertEqual(Player.objects.filter(group__isnull=True).count(), 3)
        self.assertEqual(Lesson.objects.count(), 1)

    def test_a_print_for_all_holds_those_whose_week_is_in_force(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.give(lesson, "thumb_taps")
        for on, whose in ((DAY, [lesson, None, None]), (DAY + timedelta(days=90), [None] * 3)):
            with self.subTest(on):
                found = {player: week for player, week in weeks_of(self.group, on)}
                self.assertEqual([found[p] for p in (self.player, self.cellist, self.third)], whose)

    def test_a_swept_grade_keeps_the_fingers_that_were_named(self):
        check = "tip.gives"
        choose_checks(self.group, [check])
        lesson = self.lesson()
        self.enter(lesson, "observation", check, {"3": 1, "4": 3})
        table = ((3, {"3": 1, "4": 3}), (2, {"3": 1, "4": 2}), (0, {"3": 0, "4": 0}))
        for number, (value, entered) in enumerate(table):
            with self.subTest(value):
                grade(self.group, self.player.pk, check, value, key=f"key-swept-{number}", on=DAY)
                self.assertEqual(lesson.observations.get(evidence=check).entered, entered)

    def test_a_swept_grade_goes_to_the_fingers_that_are_told(self):
        check = "tip.gives"
        choose_checks(self.group, [check, "wrist.caved"])
        lesson = self.lesson()
        table = (
            (2, [4], {"4": 2}),
            (2, [3, 4], {"3": 2, "4": 2}),
            (2, [3], {"3": 2}),
            (3, [4], {"3": 2, "4": 3}),
            (3, [], 3),
            (3, None, 3),
            (1, [4], {"4": 1}),
            (0, [4], {"4": 0}),
        )
        for number, (value, fingers, entered) in enumerate(table):
            with self.subTest(value=value, fingers=fingers):
                key = f"key-fingers-{number}"
                grade(self.group, self.player.pk, check, value, fingers=fingers, key=key, on=DAY)
                self.assertEqual(lesson.observations.get(evidence=check).entered, entered)
        grade(self.group, self.player.pk, "wrist.caved", 2, fingers=[4], key="key-whole", on=DAY)
        self.assertEqual(lesson.observations.get(evidence="wrist.caved").entered, 2)

    def test_a_grade_is_kept_for_the_day_on_which_it_was_seen(self):
        self.assertEqual(day_seen(None, DAY), DAY)
        earlier = DAY - timedelta(days=3)
        self.assertEqual(day_seen(earlier, DAY), earlier)
        for wrong in (DAY - timedelta(days=61), DAY + timedelta(days=2)):
            self.assert_refused("seen_on", lambda wrong=wrong: day_seen(wrong, DAY))

    def test_a_glance_is_no_lesson_of_no_change(self):
        check = "web.closed"
        choose_checks(self.group, [check])
        first = self.whole_lesson(0, GRIP)
        for week in (1, 2, 3):
            on = first.date + timedelta(weeks=week)
            grade(self.group, self.player.pk, check, 3, key=f"key-glance-{week}", on=on)
        self.assertTrue(self.player.lessons.last().is_glance)
        review = self.view(self.lesson(4)).review
        self.assertNotIn("look again", {r.advice.move.value for r in review})
        self.assertFalse(self.lesson(3).is_glance, "begun as a lesson it is one")

    def test_who_is_stopped_has_no_partner_card(self):
        players = list(self.group.players.all())
        choose_checks(self.group, ["web.closed"])
        stopped = players[0]
        flag = {"lesson": start_lesson(stopped, DAY), "raised_on": DAY, "reasons": ["swelling"]}
        stopped.red_flags.create(**flag)
        found = sweep(self.group, DAY)
        paired = {p.watcher for p in found.pairs} | {p.watched for p in found.pairs}
        self.assertNotIn(stopped.pk, paired)
        self.assertEqual(found.resting, [stopped])
        self.assertEqual([r.player for r in found.rows if r.flags], [stopped])

    def test_another_teachers_group_and_players_are_not_found(self):
        other = get_user_model().objects.create_user("other")
        strange = Player.objects.create(teacher=other, name="Not Mine", instrument="vn")
        self.assert_refused("not_found", lambda: group_of(other, self.group.pk))
        self.assert_refused(
            "not_found", lambda: save_group(self.teacher, None, "Mixed", [strange.pk])
        )
        self.assertEqual(list(groups_of(other)), [])

    def test_bad_names_and_checks_name_their_field(self):
        refused = [
            ("name", lambda: save_group(self.teacher, None, "   ", [])),
            ("name", lambda: save_group(self.teacher, None, "n" * 81, [])),
            ("checks", lambda: choose_checks(self.group, [])),
            ("checks", lambda: choose_checks(self.group, ["tip.gives", "tip.gives"])),
            ("checks", lambda: choose_checks(self.group, ["try.let_go"])),
            ("checks", lambda: choose_checks(self.group, ["no.such"])),
            ("check", lambda: self.grade(self.player, "try.let_go", 2)),
        ]
        for field, call in refused:
            with self.subTest(field):
                self.assert_refused(field, call)
        self.assertEqual(Group.objects.count(), 1)


class Sweeps(GroupCase):
    def test_a_grade_goes_into_the_players_lesson_of_the_day_and_can_be_taken_back(self):
        choose_checks(self.group, ["tip.gives", "web.closed"])
        self.grade(self.player, "tip.gives", 3)
        lesson = Lesson.objects.get(player=self.player, date=DAY)
        self.assertEqual(self.view(lesson).case.findings["tip.gives"].grade, 3)
        self.grade(self.player, "tip.gives", None)
        self.assertEqual(lesson.observations.count(), 0)

    def test_what_an_instrument_does_not_have_is_refused_for_it(self):
        choose_checks(self.group, ["web.closed"])
        self.assert_refused("check", lambda: self.grade(self.cellist, "web.closed", 1))
        with self.assertRaises(StudioError) as caught:
            self.grade(self.player, "web.closed", 7)
        self.assertIn("web.closed", caught.exception.field)
        self.assertFalse(Lesson.objects.get(player=self.player).observations.exists())

    def test_the_rest_gets_not_there_where_the_check_exists_and_nothing_was_entered(self):
        choose_checks(self.group, ["web.closed"])
        self.grade(self.player, "web.closed", 2)
        grade_the_rest(self.group, "web.closed", key="rest-0001", on=DAY)
        grades = {r.player.name: r.now.get("web.closed") for r in self.swept().rows}
        self.assertEqual(grades["Pia Example"].grade, 2)
        self.assertEqual(grades["Theo"].grade, 0)
        self.assertIsNone(grades["Cora"])

    def test_a_large_class_takes_no_more_queries_than_a_small_one(self):
        choose_checks(self.group, ["tip.gives"])
        for count in (2, 30):
            for number in range(count):
                Player.objects.create(
                    teacher=self.teacher, group=self.group, name=f"P{count} {number}",
                    instrument="vn",
                )  # fmt: skip
            key = f"key-of-{count:04}"
            with CaptureQueriesContext(connection) as asked:
                grade_the_rest(self.group, "tip.gives", key=key, on=DAY)
            grade_the_rest(self.group, "tip.gives", key=key, on=DAY)
            found = Observation.objects.filter(evidence="tip.gives", entered=0)
            self.assertEqual(found.count(), self.group.players.count())
            if count == 2:
                few = len(asked)
        self.assertLessEqual(len(asked), few + 2)
        self.assertLess(few, 25)

    def test_last_times_grades_stand_beside_and_say_who_got_worse(self):
        choose_checks(self.group, ["tip.gives"])
        self.grade(self.player, "tip.gives", 0)
        later = DAY + timedelta(weeks=1)
        self.grade(self.player, "tip.gives", 1, on=later)
        self.grade(self.third, "tip.gives", 2, on=later)
        found = self.swept(later)
        self.assertEqual(
            [(c.player, c.is_more) for c in found.closer],
            [(self.third.pk, False), (self.player.pk, True)],
        )
        before = next(r for r in found.rows if r.player == self.player).before
        self.assertEqual(before["tip.gives"].grade, 0)
        self.assertEqual(len(found.pairs), 3)

    def test_proposed_checks_are_among_those_that_can_be_swept(self):
        proposed = [e.id for e in proposed_checks(self.group, DAY)]
        self.assertEqual(len(proposed), 6)
        choose_checks(self.group, proposed[:3])
        self.assertEqual(self.group.checks, proposed[:3])
