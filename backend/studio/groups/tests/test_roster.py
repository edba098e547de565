"""A class from a pasted list: what each line would do, and all or nothing."""

from studio.errors import StudioError
from studio.groups.roster import MOST_ROWS, bring_in_class, read_roster
from studio.models import Group, Player
from studio.tests.studio_case import DAY, StudioCase

GOOD = "Ada Lindt, violin, 2016\nBo Marsh, cello, 2015\nPia Example, violin, 2014"


class Roster(StudioCase):
    def read(self, text):
        return read_roster(self.teacher, text, DAY)

    def test_commas_semicolons_tabs_and_headings_in_any_order_say_the_same(self):
        for text in (
            GOOD,
            GOOD.replace(",", ";"),
            GOOD.replace(", ", "\t"),
            "name,instrument,born\r\n" + GOOD.replace("\n", "\r\n"),
            "Instrument;Year;Name\nviolin;2016;Ada Lindt\nVioloncello;2015;Bo  Marsh\n\n"
            "vn;2014;pia example\n",
        ):
            with self.subTest(text):
                rows = self.read(text)
                self.assertEqual([row.instrument for row in rows], ["vn", "vc", "vn"])
                self.assertEqual([row.birth_year for row in rows], ["2016", "2015", "2014"])
                self.assertEqual([row.name for row in rows][:2], ["Ada Lindt", "Bo Marsh"])
                self.assertEqual([row.known for row in rows], [None, None, self.player])
                self.assertFalse(any(row.problems for row in rows))
        self.assertEqual(Player.objects.count(), 1)

    def test_what_cannot_be_used_is_told_by_line_and_column_and_nothing_is_kept(self):
        for line, column in (
            (", violin, 2016", "name"),
            ("Ada, kazoo, 2016", "instrument"),
            ("Ada", "instrument"),
            ("Ada, violin, soon", "birth_year"),
            ("Ada, violin, 1750", "birth_year"),
            ("Ada, violin, 2016, master", "level"),
            ("Ada, violin, 2016, beginner, noonish", "lesson"),
            ("Ada, violin, 2016, beginner, Mon 25:00", "lesson_time"),
            ("x" * 81 + ", violin", "name"),
            ("Bo Marsh, viola", "name"),
        ):
            with self.subTest(line):
                text = f"Bo Marsh, cello, 2015\n{line}"
                self.assertEqual(list(self.read(text)[1].problems), [column])
                with self.assertRaises(StudioError) as caught:
                    bring_in_class(self.teacher, "Quartet", text, DAY)
                self.assertEqual(caught.exception.field, f"line 2, {column}")
        self.assertEqual((Player.objects.count(), Group.objects.count()), (1, 0))

    def test_the_class_becomes_a_group_and_who_was_here_joins_it(self):
        group = bring_in_class(self.teacher, "Quartet", GOOD, DAY)
        names = sorted(player.name for player in group.players.all())
        self.assertEqual(names, ["Ada Lindt", "Bo Marsh", "Pia Example"])
        self.assertEqual(Player.objects.get(name="Bo Marsh").birth_year, 2015)
        self.player.refresh_from_db()
        self.assertEqual((self.player.group, self.player.level), (group, "intermediate"))

    def test_the_time_of_the_lesson_comes_with_it(self):
        for text, weekday, at in (
            ("Mon 15:30", 0, "15:30"),
            ("saturday, 9.05", 5, "09:05"),
            ("Thu", 3, None),
            ("08:00", None, "08:00"),
            ("", None, None),
        ):
            with self.subTest(text):
                bring_in_class(self.teacher, "G", f'name;instrument;lesson\nBo;cello;"{text}"', DAY)
                player = Player.objects.get(name="Bo")
                told = f"{player.lesson_time:%H:%M}" if player.lesson_time else None
                self.assertEqual((player.weekday, told), (weekday, at))
                player.delete()

    def test_nothing_and_too_much_are_refused(self):
        many = "\n".join(f"P{n}, violin" for n in range(MOST_ROWS + 1))
        for text in ("", "\n ,, \n", "name,instrument", many):
            with self.subTest(text[:20]), self.assertRaises(StudioError) as caught:
                self.read(text)
            self.assertEqual(caught.exception.field, "text")

    def test_without_a_name_of_the_group_nothing_is_kept(self):
        with self.assertRaises(StudioError):
            bring_in_class(self.teacher, " ", GOOD, DAY)
        self.assertEqual((Player.objects.count(), Group.objects.count()), (1, 0))

    def test_over_the_api(self):
        self.client.force_login(self.teacher)

        def post(path, **body):
            return self.client.post(f"/api/groups/{path}", body, content_type="application/json")

        seen = post("roster/look", text=GOOD).json()
        self.assertEqual([row["is_known"] for row in seen], [False, False, True])
        answer = post("roster", text="Ada, kazoo", name="Quartet")
        self.assertEqual(answer.json()["fields"][0]["field"], "line 1, instrument")
        made = post("roster", text=GOOD, name="Quartet").json()
        self.assertEqual(len(made["players"]), 3)
