"""Pictures and sounds of players: kept with leave, until told, gone when it is withdrawn."""

import json
import tempfile
from datetime import date, timedelta
from pathlib import Path

from django.core.files.uploadedfile import SimpleUploadedFile

from studio.desk.desk import settings_of
from studio.errors import StudioError
from studio.models import HandPicture, KeptSound, Lesson, Player
from studio.pictures.pictures import Kept, keep_picture
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.players.kept_time import (
    erased_on,
    kept_of,
    kept_of_all,
    months_later,
    set_kept_months,
    tell_or_erase,
    words_of,
)
from studio.players.leave import PICTURE, SOUND, give_leave, need_leave, withdraw
from studio.takes.kept_sounds import keep_sound
from studio.takes.takes import measure
from studio.tests.studio_case import DAY, StudioCase, picture_bytes, silence


class WithLeave(StudioCase):
    def setUp(self):
        super().setUp()
        self.given = self.lesson()
        self.client.force_login(self.teacher)

    def leave(self, kind=PICTURE):
        return give_leave(self.player, kind=kind, by="parent", name="Ada  Example", on=DAY)

    def picture(self, on=DAY):
        return keep_picture(self.player, picture_bytes(), Kept(on))

    def sound(self):
        return keep_sound(measure(self.given, "fourth.low", "slow", silence()), silence())

    def test_the_first_is_not_kept_before_somebody_has_said_yes(self):
        address = f"/api/players/{self.player.pk}/pictures"

        def send():
            file = SimpleUploadedFile("hand.png", picture_bytes())
            return self.client.post(address, {"file": file})

        self.assertEqual((send().status_code, send().json()["code"]), (409, "leave_needed"))
        self.assertFalse(HandPicture.objects.exists())
        body = {"kind": "picture", "by": "parent", "name": "Ada Example"}
        told = self.client.post(
            f"/api/players/{self.player.pk}/leave", json.dumps(body), "application/json"
        ).json()
        self.assertEqual(told["leaves"][0]["name"], "Ada Example")
        self.assertEqual(send().status_code, 200)
        with self.assertRaises(StudioError):
            need_leave(self.player, SOUND)
        self.player.is_practice = True
        need_leave(self.player, SOUND)

    def test_what_cannot_be_used_names_its_field(self):
        for field, told in (
            ("kind", {"kind": "film", "by": "parent", "name": "Ada"}),
            ("by", {"kind": PICTURE, "by": "neighbour", "name": "Ada"}),
            ("name", {"kind": PICTURE, "by": "parent", "name": " . "}),
            ("name", {"kind": PICTURE, "by": "parent", "name": "a" * 81}),
        ):
            with self.subTest(field), self.assertRaises(StudioError) as caught:
                give_leave(self.player, **told, on=DAY)
            self.assertEqual(caught.exception.field, field)

    def test_withdrawn_it_takes_its_own_kind_with_it_and_nothing_else(self):
        for kind in (PICTURE, SOUND):
            self.leave(kind)
        self.picture()
        self.sound()
        withdraw(self.player, PICTURE)
        self.assertEqual((HandPicture.objects.count(), KeptSound.objects.count()), (0, 1))
        self.assertEqual([each.kind for each in self.player.leaves.all()], [SOUND])
        withdraw(self.player, SOUND)
        self.assertFalse(KeptSound.objects.exists())
        self.assertEqual(Lesson.objects.count(), 1)

    def test_it_goes_with_the_player_file(self):
        self.leave()
        self.picture()
        data = json.loads(json.dumps(player_file(self.player, pictures=True)))
        found = read_player_file(self.teacher, data, DAY).player
        leave = found.leaves.get()
        self.assertEqual((leave.by, leave.name, leave.on), ("parent", "Ada Example", DAY))
        self.assertEqual(found.pictures.count(), 1)

    def test_the_desk_tells_of_copies_that_still_hold_what_was_erased(self):
        with tempfile.TemporaryDirectory() as folder:
            database = Path(folder) / "studio.sqlite3"
            for name in ("before-update-20260103-101112", "before-restore-20260204-101112", "mine"):
                (Path(folder) / f"{name}.sqlite3").touch()
            with self.settings(DATABASE_FILE=database):
                told = self.client.get("/api/desk/kept").json()
                self.assertEqual(told["copies"], ["2026-01-03", "2026-02-04"])
                gone = self.client.delete(f"/api/players/{self.player.pk}?name=Pia%20Example")
        self.assertEqual(gone.json()["copies"], told["copies"])


class ForATime(WithLeave):
    def test_it_counts_from_the_last_lesson_by_calendar_months(self):
        for day, months, later in (
            (date(2026, 1, 31), 1, date(2026, 2, 28)),
            (date(2026, 11, 30), 3, date(2027, 2, 28)),
            (date(2023, 11, 29), 3, date(2024, 2, 29)),
            (date(2026, 12, 1), 24, date(2028, 12, 1)),
        ):
            with self.subTest(day=day, months=months):
                self.assertEqual(months_later(day, months), later)
        picture, sound = self.picture(), self.sound()
        kept = kept_of(self.player)
        self.assertEqual((kept.pictures, kept.sounds), (1, 1))
        self.assertEqual(kept.until, months_later(DAY, 3))
        self.assertEqual(kept.size, len(picture.image) + len(sound.flac))
        self.lesson(4)
        self.assertEqual(kept_of(self.player).until, months_later(DAY + timedelta(weeks=4), 3))
        set_kept_months(settings_of(self.teacher), 12)
        again = kept_of_all(self.teacher)[0]
        self.assertEqual(again.until, months_later(DAY + timedelta(weeks=4), 12))
        for months in (0, 61):
            with self.assertRaises(StudioError):
                set_kept_months(settings_of(self.teacher), months)

    def test_it_is_told_two_weeks_before_and_erased_after(self):
        self.picture()
        until = months_later(DAY, 3)
        for days, told in ((-20, 0), (-14, 1), (-1, 1), (0, 1)):
            with self.subTest(days):
                found = tell_or_erase(self.teacher, until + timedelta(days=days))
                self.assertEqual(len(found), told)
        self.assertIn("1 picture will be erased on", words_of(found[0], until))
        self.assertEqual(tell_or_erase(self.teacher, until + timedelta(days=1)), [])
        self.assertFalse(HandPicture.objects.exists())

    def test_who_was_away_is_told_for_a_week_first(self):
        self.picture()
        late = months_later(DAY, 3) + timedelta(days=200)
        for days in (0, 3, 6):
            (found,) = tell_or_erase(self.teacher, late + timedelta(days=days))
            self.assertEqual(
                erased_on(found, late + timedelta(days=days)), late + timedelta(days=7)
            )
        tell_or_erase(self.teacher, late + timedelta(days=7))
        self.assertFalse(HandPicture.objects.exists())

    def test_a_lesson_in_between_ends_the_telling(self):
        self.picture()
        until = months_later(DAY, 3)
        self.assertEqual(len(tell_or_erase(self.teacher, until)), 1)
        self.lesson(12)
        self.assertEqual(tell_or_erase(self.teacher, until + timedelta(days=1)), [])
        self.assertIsNone(Player.objects.get(pk=self.player.pk).told_of_erasing)
        self.assertEqual(HandPicture.objects.count(), 1)
