"""A take at home: asked for, sent late or twice, under a stop, and seen in the next lesson."""

from datetime import timedelta

from api.home.present import home_out
from lefthand.sound.player import Playing
from studio.errors import StudioError
from studio.home.home_takes import MOST_A_DAY, measure_at_home
from studio.home.link import make_link, open_link, revoke_link
from studio.lessons.flags import lift_flags
from studio.models import KeptSound, RedFlag, Take
from studio.takes.takes import earlier_takes, takes_of
from studio.tests.studio_case import DAY, GRIP, silence
from studio.tests.takes_case import TakesCase

CHECK = "fourth.low"
KEY = "phone-key-1"
WEEK = timedelta(weeks=1)
PLAYED_ON = DAY + timedelta(days=2)


class AtHome(TakesCase):
    def setUp(self):
        super().setUp()
        self.now = self.whole_lesson(0, GRIP)
        self.enter(self.now, "home_take", "", CHECK)
        self.now.refresh_from_db()
        self.token = make_link(self.player).token
        self.played = self.sound(CHECK, how=Playing(off={4: -25}))

    def send(self, data=None, *, day=PLAYED_ON, key=KEY, today=PLAYED_ON):
        return measure_at_home(self.token, data or self.played, day, key, today)

    def page(self, today=PLAYED_ON):
        return home_out(open_link(self.token, today)).dict()

    def test_what_is_asked_stands_on_the_phones_page_and_can_be_undone(self):
        asked = self.page()["take"]
        self.assertIn("<svg", asked["music"])
        self.assertGreater(asked["seconds"], 5)
        self.assertEqual(asked["days"], [])
        self.enter(self.now, "home_take", "", "")
        self.assertIsNone(self.page()["take"])

    def test_a_check_that_cannot_be_heard_is_not_asked_for(self):
        for value in ("web.closed", "none.such"):
            with self.subTest(value), self.assertRaises(StudioError):
                self.enter(self.now, "home_take", "", value)

    def test_its_numbers_are_kept_once_and_its_sound_is_not(self):
        self.assertEqual(self.send(), (True, ""))
        self.assertEqual(self.send(), (True, ""))
        take = Take.objects.get()
        self.assertEqual((take.lesson, take.home_on), (self.now, PLAYED_ON))
        self.assertIn("25 cents low", take.words)
        self.assertEqual(KeptSound.objects.count(), 0)
        self.assertEqual(self.page()["take"]["days"], [PLAYED_ON])

    def test_the_next_lesson_tells_it_at_home_and_not_as_its_own(self):
        self.send()
        later = self.lesson(1)
        told = self.client.get(f"/api/lessons/{later.pk}").json()["home"]
        self.assertEqual([take["date"] for take in told["takes"]], [str(PLAYED_ON)])
        self.assertEqual(told["days"], [])
        self.assertEqual(takes_of(self.now, CHECK), [])
        self.assertEqual([take.home_on for take in earlier_takes(later, CHECK)], [PLAYED_ON])

    def test_what_tells_nothing_says_why_and_is_not_kept(self):
        usable, words = self.send(silence())
        self.assertFalse(usable)
        self.assertTrue(words)
        self.assertEqual(Take.objects.count(), 0)

    def test_a_late_one_belongs_to_the_week_that_holds_its_day(self):
        next_week = self.whole_lesson(1, GRIP)
        self.assertEqual(next_week.home_take, "")
        self.send(today=next_week.date + timedelta(days=3))
        self.assertEqual(Take.objects.get().lesson, self.now)

    def test_refused_with_its_reason(self):
        year = timedelta(days=365)
        next_week = self.whole_lesson(1, GRIP)
        asked_none = next_week.date + timedelta(days=2)
        for name, options, code in (
            ("not asked for in that week", {"day": asked_none, "today": asked_none}, "bad_input"),
            ("a day to come", {"day": DAY + timedelta(days=5)}, "bad_input"),
            ("before any week", {"day": DAY - year}, "bad_input"),
            ("not sound", {"data": b"text"}, "bad_input"),
            ("a year later", {"today": DAY + year}, "link_gone"),
        ):
            with self.subTest(name), self.assertRaises(StudioError) as caught:
                self.send(**options)
            self.assertEqual(caught.exception.code, code)
        revoke_link(self.player)
        with self.assertRaises(StudioError):
            self.send()
        self.assertEqual(Take.objects.count(), 0)

    def test_nobody_is_asked_under_a_stop_or_while_easing_off(self):
        RedFlag.objects.create(
            player=self.player, lesson=self.now, raised_on=PLAYED_ON, reasons=["numbness"]
        )
        self.assertIsNone(self.page()["take"])
        with self.assertRaises(StudioError):
            self.send()
        # What was played before the stop may still arrive.
        self.assertEqual(self.send(day=PLAYED_ON - timedelta(days=1)), (True, ""))
        lift_flags(self.player, note="seen by a doctor", on=PLAYED_ON, seen=["numbness"])
        self.assertTrue(open_link(self.token, PLAYED_ON).is_eased)
        self.assertIsNone(self.page()["take"])

    def test_an_instrument_that_cannot_be_asked_is_not(self):
        self.now.home_take = "gone.since"
        self.now.save()
        self.assertIsNone(self.page()["take"])

    def test_a_day_has_room_for_so_many(self):
        Take.objects.bulk_create(
            Take(
                lesson=self.now, evidence=CHECK, part="slow", score={}, result={}, words="",
                home_on=PLAYED_ON, log_key=f"k{number}",
            )
            for number in range(MOST_A_DAY)
        )  # fmt: skip
        with self.assertRaises(StudioError) as caught:
            self.send()
        self.assertEqual(caught.exception.code, "conflict")
