"""The studio as a whole: at a glance, its copies, its teachers."""

import csv
import io
import sqlite3
import tempfile
from datetime import UTC, datetime, timedelta
from pathlib import Path

from django.contrib.auth import authenticate, get_user_model
from django.test import override_settings

from studio.desk.glance import FEWEST, glance, glance_table
from studio.desk.people import (
    add_colleague,
    colleagues,
    fresh_password,
    is_owner,
    remove_colleague,
    renew_password,
)
from studio.errors import StudioError
from studio.keeping.copies import MOST_MADE, copies_beside, is_copy_due, make_copy
from studio.memory.records import item_dose
from studio.models import Focus, HomeDay, Lesson, Plan, PlanItem, Player
from studio.tests.studio_case import DAY, StudioCase


class AtAGlance(StudioCase):
    def players(self, count, *, is_practice=False):
        for number in range(count):
            player = Player.objects.create(
                teacher=self.teacher, name=f"P{number}", instrument="vn", is_practice=is_practice
            )
            lesson = Lesson.objects.create(player=player, date=DAY)
            Focus.objects.create(
                lesson=lesson, cause="thumb_index_grip", rank=1, probability=0.9, is_engines=True
            )
            plan = Plan.objects.create(lesson=lesson)
            for order, name in enumerate(("thumb_taps", "touch_and_rest"), start=1):
                PlanItem.objects.create(
                    plan=plan, order=order, exercise=name, rung=1, reps=10, sets=1, seconds=6,
                    days=[1, 2],
                )  # fmt: skip
            yield lesson

    def look(self):
        return glance(self.teacher, DAY - timedelta(days=30), DAY + timedelta(days=30))

    def test_nothing_is_told_of_fewer_than_five(self):
        for lesson in self.players(FEWEST - 1):
            HomeDay.objects.create(lesson=lesson, date=DAY + timedelta(days=1), done="done")
        found = self.look()
        self.assertEqual((found.causes, found.given), ([], []))
        self.assertEqual((found.few_causes, found.few_given), (1, 2))

    def test_what_was_given_and_never_done_comes_first(self):
        for lesson in self.players(FEWEST):
            HomeDay.objects.create(
                lesson=lesson, date=DAY + timedelta(days=1), done="partly", parts=["thumb_taps"]
            )
        found = self.look()
        told = [(each.exercise, each.done, each.weeks) for each in found.given]
        self.assertEqual(told, [("touch_and_rest", 0, 5), ("thumb_taps", 5, 5)])
        self.assertEqual(found.causes[0].players, 5)
        taps = [item_dose(item).minutes(0) for item in PlanItem.objects.filter(order=1)]
        self.assertAlmostEqual(found.played, sum(taps))
        both = [item_dose(item).minutes(0) for item in PlanItem.objects.all()]
        self.assertAlmostEqual(found.asked, 2 * sum(both))

    def test_weeks_of_which_nothing_was_told_count_as_neither_done_nor_not_done(self):
        list(self.players(FEWEST))
        found = self.look()
        self.assertEqual((found.weeks, found.told, found.asked), (5, 0, 0))
        self.assertEqual(found.given, [])

    def test_practice_players_and_those_of_others_count_for_nothing(self):
        list(self.players(FEWEST, is_practice=True))
        other = get_user_model().objects.create_user("other", password="quiet-hands-8")
        self.assertEqual(self.look().lessons, 0)
        self.assertEqual(glance(other, DAY, DAY).lessons, 0)

    def test_the_table_says_the_same(self):
        for lesson in self.players(FEWEST):
            HomeDay.objects.create(lesson=lesson, date=DAY + timedelta(days=1), done="done")
        rows = list(csv.DictReader(io.StringIO(glance_table(self.look()))))
        counts = {row["id"]: (row["count"], row["of"]) for row in rows if row["id"]}
        self.assertEqual(counts["thumb_index_grip"], ("5", "5"))
        self.assertEqual(counts["thumb_taps"], ("5", "5"))


class Copies(StudioCase):
    def setUp(self):
        super().setUp()
        self.folder = tempfile.TemporaryDirectory()
        self.addCleanup(self.folder.cleanup)
        self.database = Path(self.folder.name) / "studio.sqlite3"

    def kept(self, *days_ago):
        now = datetime(2026, 12, 1, 12, tzinfo=UTC).replace(tzinfo=None)
        for days in days_ago:
            stamp = (now - timedelta(days=days)).strftime("%Y%m%d-%H%M%S")
            self.database.with_name(f"copy-{stamp}.sqlite3").write_bytes(b"x")
        return now

    def test_a_copy_is_due_a_month_after_the_newest(self):
        self.assertTrue(is_copy_due(self.database, self.kept()))
        self.assertTrue(is_copy_due(self.database, self.kept(40)))
        self.assertFalse(is_copy_due(self.database, self.kept(30)))

    def test_what_cannot_be_copied_says_so_and_leaves_nothing(self):
        with self.assertRaises(StudioError) as refused:
            make_copy(self.database, self.kept())
        self.assertEqual(refused.exception.code, "storage")
        self.assertEqual(copies_beside(self.database), [])

    def test_there_are_never_more_than_a_dozen_and_those_before_updates_stay(self):
        now = self.kept(*range(1, MOST_MADE + 3))
        self.database.with_name("before-update-20200101-000000.sqlite3").write_bytes(b"x")

        with sqlite3.connect(self.database) as live:
            for table in ("studio_player", "studio_lesson", "django_migrations", "django_session"):
                live.execute(f"CREATE TABLE {table} (id INTEGER)")
        make_copy(self.database, now)
        found = copies_beside(self.database)
        self.assertEqual(sum(copy.is_made_here for copy in found), MOST_MADE)
        self.assertEqual(len(found), MOST_MADE + 1)
        self.assertEqual(found[-1].made, now)

    def test_only_the_owner_sees_and_makes_them(self):
        other = get_user_model().objects.create_user("other", password="quiet-hands-8")
        self.client.force_login(other)
        for path in ("copies", "people", "copies/restore"):
            if "/" not in path:
                self.assertEqual(self.client.get(f"/api/desk/{path}").status_code, 403)
            self.assertEqual(
                self.client.post(
                    f"/api/desk/{path}", '{"name": "x"}', content_type="application/json"
                ).status_code,
                403,
            )
        self.client.force_login(self.teacher)
        with override_settings(DATABASE_FILE=self.database):
            self.assertTrue(self.client.get("/api/desk/copies").json()["is_due"])


class People(StudioCase):
    def test_the_first_teacher_owns_the_studio_and_nobody_else(self):
        password = add_colleague("wren.example")
        wren = authenticate(username="wren.example", password=password)
        self.assertIsNotNone(wren)
        self.assertTrue(is_owner(self.teacher))
        self.assertFalse(is_owner(wren))
        self.assertEqual([each.is_owner for each in colleagues()], [True, False])

    def test_a_new_password_replaces_the_old_one(self):
        old = add_colleague("wren")
        wren = get_user_model().objects.get(username="wren")
        new = renew_password(wren.pk)
        self.assertIsNone(authenticate(username="wren", password=old))
        self.assertIsNotNone(authenticate(username="wren", password=new))

    def test_names_that_cannot_be_are_refused_by_field(self):
        add_colleague("wren")
        for name in ("", "  ", "WREN", "a name with / in it", "x" * 151):
            with self.subTest(name), self.assertRaises(StudioError) as refused:
                add_colleague(name)
            self.assertEqual(refused.exception.field, "name")

    def test_nobody_goes_with_players_and_the_owner_never(self):
        add_colleague("wren")
        wren = get_user_model().objects.get(username="wren")
        Player.objects.create(teacher=wren, name="Pia", instrument="vn")
        for teacher in (wren, self.teacher):
            with self.assertRaises(StudioError):
                remove_colleague(teacher.pk)
        Player.objects.filter(teacher=wren).delete()
        remove_colleague(wren.pk)
        with self.assertRaises(StudioError):
            remove_colleague(wren.pk)

    def test_passwords_are_four_words_and_a_number_and_no_two_alike(self):
        made = {fresh_password() for _ in range(200)}
        self.assertEqual(len(made), 200)
        for each in made:
            self.assertRegex(each, r"^([a-z]+-){4}\d\d$")
