"""A whole exercise on one screen of the phone; tools, music, and what to do when it hurts."""

import re
from datetime import timedelta

from django.utils import timezone
from playwright.sync_api import expect

from browser.cable import Cable
from browser.case import BrowserCase
from browser.phone import end_day, go_through, touch, week_is_there
from studio.demo.data import PLAYERS
from studio.home.link import make_link
from studio.models import HomeDay, Lesson, Player

SIZES = ({"width": 390, "height": 844}, {"width": 360, "height": 640})
# No part that is seen may lie outside the screen, and none may be cut.
CUT = """() => [...document.querySelectorAll(
    'article :not(svg *), section :not(svg *), main button')].filter((each) => {
  const box = each.getBoundingClientRect();
  return box.width > 1 && box.height > 1 && (box.bottom > innerHeight + 1 || box.right > innerWidth + 1);
}).map((each) => each.textContent.slice(0, 30))"""
SMALL = """() => [...document.querySelectorAll('main button')].filter((each) => {
  const box = each.getBoundingClientRect();
  return box.width > 0 && (box.width < 44 || box.height < 44);
}).map((each) => each.textContent)"""


class PhoneCase(BrowserCase):
    viewport = SIZES[0]

    def open(self, player: Player, days_after: int = 1) -> None:
        lesson = player.lessons.filter(plan__isnull=False).order_by("date").last()
        lesson.date = timezone.localdate() - timedelta(days=days_after)
        lesson.save()
        self.lesson = lesson
        self.page.goto(f"{self.live_server_url}/home/{make_link(player).token}")


class OneScreen(PhoneCase):
    players = PLAYERS

    def test_every_exercise_of_the_demo_is_whole_on_one_screen(self):
        page = self.page
        seen = 0
        hand = page.get_by_role("region", name=re.compile("^Your hand (before|after)"))
        for player in Player.objects.filter(lessons__plan__isnull=False).distinct():
            if player.red_flags.filter(lifted_on=None).exists():
                continue
            self.open(player)
            week_is_there(page)
            page.get_by_role("button", name="Begin").click()
            page.get_by_role("article").or_(hand).first.wait_for()
            number = 0
            while page.get_by_role("article").or_(hand).count():
                if is_exercise := page.get_by_role("article").count() > 0:
                    number += 1
                    page.get_by_text(f"Exercise {number} of").wait_for()
                for size in SIZES:
                    page.set_viewport_size(size)
                    with self.subTest(player=player.name, size=size, exercise=number):
                        self.assertEqual(page.evaluate(CUT), [])
                        self.assertEqual(page.evaluate(SMALL), [])
                        height = page.evaluate("document.documentElement.scrollHeight")
                        self.assertLessEqual(height, size["height"])
                seen += is_exercise
                page.get_by_role("button", name=re.compile("^(Next|Done)$")).click()
        self.assertGreater(seen, 20)


class Tools(PhoneCase):
    players = tuple(p for p in PLAYERS if p.name in ("Jonas Feld", "Lene Moravec"))

    def test_one_tool_at_a_time_starts_and_stops_with_one_touch(self):
        page = self.page
        self.open(Player.objects.get(name="Lene Moravec"))
        page.get_by_role("list", name="Days of the week").wait_for()
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("button", name="Start: it counts for you").click()
        timer = page.get_by_role("region", name="Timer")
        expect(timer.get_by_role("button", pressed=True)).to_be_visible()
        while page.get_by_role("button", name="Next").count():
            page.get_by_role("button", name="Next").click()
        music = page.get_by_role("region", name="Music of")
        expect(music.get_by_role("img").first).to_be_visible()
        for name, start, stop in (
            ("Beat", "Start the beat", "Stop the beat"),
            ("Listen", "Hear it", "Stop"),
        ):
            with self.subTest(name):
                page.get_by_role("group", name="Tools").get_by_role("button", name=name).click()
                face = page.get_by_role("region", name=name)
                face.get_by_role("button", name=start).click()
                running = face.get_by_role("button", name=stop)
                expect(running).to_have_attribute("aria-pressed", "true")
                expect(music.locator("[data-now]")).to_have_count(1)
                running.click()
                expect(face.get_by_role("button", name=start)).to_be_visible()
        self.assert_accessible("home, music")

    def test_where_a_tune_stops_it_waits_and_says_what_to_look_at(self):
        page = self.page
        player = Player.objects.get(name="Jonas Feld")
        lesson = player.lessons.filter(plan__isnull=False).order_by("date").last()
        item = lesson.plan.items.first()
        lesson.plan.items.exclude(pk=item.pk).delete()
        item.exercise, item.rung, item.spot, item.piece = "stop_and_shape", 1, None, None
        item.in_piece, item.days = None, [1, 2, 3]
        item.save()
        self.open(player)
        week_is_there(page)
        page.get_by_role("button", name="Begin").click()
        expect(page.get_by_text("At each stop:")).to_contain_text(
            "thumb softelbow freefinger round"
        )
        page.get_by_role("group", name="Tools").get_by_role("button", name="Listen").click()
        face = page.get_by_role("region", name="Listen")
        face.get_by_role("button", name="Hear it").click()
        for words in ("thumb soft", "elbow free", "finger round"):
            expect(face.get_by_role("button", name=words)).to_be_visible()
        face.get_by_role("button", name="Stop").click()
        expect(face.get_by_role("button", name="Hear it")).to_be_visible()
        self.assert_accessible("home, stops")

    def test_music_longer_than_the_screen_turns_by_hand_and_with_the_beat(self):
        page = self.page
        self.open(Player.objects.get(name="Jonas Feld"))
        week_is_there(page)
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("article").wait_for()
        while page.get_by_role("button", name="Next").count():
            page.get_by_role("button", name="Next").click()
            page.get_by_role("article").wait_for()
        first = page.get_by_role("img", name="Line 1")
        third = page.get_by_role("img", name="Line 3")
        expect(first).to_be_visible()
        expect(third).to_be_hidden()
        page.get_by_role("button", name="Page on").click()
        expect(third).to_be_visible()
        expect(first).to_be_hidden()
        page.get_by_role("button", name="Page back").click()
        for _ in range(40):
            page.get_by_role("button", name="Faster").click()
        page.get_by_role("button", name="Start the beat").click()
        expect(third).to_be_visible()

    def test_on_its_side_it_is_whole_too(self):
        page = self.page
        page.set_viewport_size({"width": 740, "height": 360})
        for player in Player.objects.all():
            self.open(player)
            page.get_by_role("button", name="Begin").click()
            while True:
                with self.subTest(player=player.name):
                    self.assertEqual(page.evaluate(CUT), [])
                    height = page.evaluate("document.documentElement.scrollHeight")
                    self.assertLessEqual(height, 360)
                if not page.get_by_role("button", name="Next").count():
                    break
                page.get_by_role("button", name="Next").click()


class ItHurts(PhoneCase):
    players = tuple(p for p in PLAYERS if p.name == "Jonas Feld")  # a child

    def setUp(self):
        super().setUp()
        HomeDay.objects.all().delete()
        self.child = Player.objects.get()
        self.open(self.child)
        week_is_there(self.page)

    def day(self) -> HomeDay:
        return HomeDay.objects.get(date=timezone.localdate())

    def test_a_child_stops_fetches_a_grown_up_and_is_asked_where_and_how_much(self):
        page = self.page
        page.get_by_role("button", name="Begin").click()
        page.get_by_role("button", name="Start: it counts for you").click()
        touch(page, "It hurts")
        expect(page.get_by_role("alert")).to_contain_text("Put the violin down.")
        expect(page.get_by_role("alert")).to_contain_text("Fetch a grown-up.")
        self.assert_accessible("home, it hurts")
        # Whoever walks away now has been heard.
        self.wait_until(HomeDay.objects.exists)
        self.assertEqual((self.day().hurt, self.day().pain), ("open", 0))
        touch(page, "A grown-up is here")
        touch(page, "It just hurts")
        self.assert_accessible("home, where it hurts")
        page.get_by_role("group", name="Where does it hurt?").get_by_text("thumb").click()
        touch(page, "A little")
        expect(page.get_by_role("heading", name="No more today.")).to_be_visible()
        self.wait_until(lambda: self.day().pain == 2)
        self.assertEqual((self.day().place, self.day().hurt), ("thumb", ""))
        touch(page, "To the week")
        expect(page.get_by_text("No more today.")).to_be_visible()
        expect(page.get_by_role("button", name="Begin")).to_have_count(0)
        expect(page.get_by_text("Easing off.")).to_be_visible()

    def test_alone_the_day_is_over_and_the_teacher_reads_it(self):
        page = self.page
        touch(page, "It hurts")
        touch(page, "Nobody is here")
        expect(page.get_by_text("Tell a grown-up as soon as one is home.")).to_be_visible()
        self.wait_until(HomeDay.objects.exists)
        page.reload()
        expect(page.get_by_text("No more today.")).to_be_visible()
        page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        expect(page.get_by_text("how much was not said").first).to_be_visible()

    def test_it_was_nothing_is_kept_beside_that_it_was_touched(self):
        page = self.page
        page.get_by_role("button", name="Begin").click()
        touch(page, "It hurts")
        touch(page, "By mistake")
        page.get_by_text("Exercise 1 of").wait_for()
        self.wait_until(lambda: HomeDay.objects.filter(hurt="nothing").exists())
        go_through(page)
        end_day(page)
        touch(page, "No, nothing")
        self.wait_until(lambda: self.day().felt == "soft")
        self.assertEqual((self.day().hurt, self.day().done), ("nothing", "done"))
        page.set_viewport_size({"width": 1280, "height": 800})
        self.sign_in()
        page.get_by_role("button", name="lesson of Jonas Feld").or_(
            page.get_by_role("button", name="More of Jonas Feld")
        ).first.wait_for()
        page.goto(f"{self.live_server_url}/players/{self.child.pk}")
        page.get_by_role("button", name="Begin").click()
        expect(page.get_by_text("then it was said to be nothing")).to_be_visible()

    def test_without_a_network_it_is_kept_and_says_who_has_not_heard(self):
        page = self.page
        cable = Cable(self.server_thread.port)
        self.addCleanup(cable.cut)
        self.own_addresses.append(cable.address)
        page.goto(f"{cable.address}/home/{make_link(self.child).token}")
        page.locator("html[data-kept='yes']").wait_for()
        cable.cut()
        touch(page, "It hurts")
        touch(page, "A grown-up is here")
        touch(page, "It tingles or is numb")
        expect(page.get_by_role("heading", name="Please rest this hand")).to_be_visible()
        expect(page.get_by_text("has not heard of it yet")).to_be_visible()
        page.reload()
        expect(page.get_by_role("heading", name="Please rest this hand")).to_be_visible()
        cable.mend()
        page.evaluate("window.dispatchEvent(new Event('online'))")
        self.wait_until(lambda: self.child.red_flags.filter(lifted_on=None).exists())
        self.assertFalse(Lesson.objects.filter(pk=self.lesson.pk, plan__isnull=True).exists())
