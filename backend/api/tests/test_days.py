"""The day of a lesson and of a log, at hours when the teacher's zone and this computer differ."""

from datetime import UTC, date, datetime
from unittest.mock import patch

from django.utils import timezone

from studio.home.link import make_link
from studio.models import TeacherSettings
from studio.tests.studio_case import DAY, GRIP, StudioCase

# An hour of UTC with the zone it is looked at from, and the day it is there.
HOURS = [
    (datetime(2026, 3, 4, 10, 59, tzinfo=UTC), "Pacific/Auckland", date(2026, 3, 4)),
    (datetime(2026, 3, 4, 11, 0, tzinfo=UTC), "Pacific/Auckland", date(2026, 3, 5)),
    (datetime(2026, 3, 5, 7, 59, tzinfo=UTC), "America/Los_Angeles", date(2026, 3, 4)),
    (datetime(2026, 3, 5, 8, 0, tzinfo=UTC), "America/Los_Angeles", date(2026, 3, 5)),
    # Clocks go forward in Berlin at 01:00 UTC on 29 March 2026 (EU directive 2000/84/EC).
    (datetime(2026, 3, 28, 22, 59, tzinfo=UTC), "Europe/Berlin", date(2026, 3, 28)),
    (datetime(2026, 3, 28, 23, 0, tzinfo=UTC), "Europe/Berlin", date(2026, 3, 29)),
    (datetime(2026, 3, 29, 22, 0, tzinfo=UTC), "Europe/Berlin", date(2026, 3, 30)),
]


class Days(StudioCase):
    def look_from(self, zone):
        TeacherSettings.objects.update_or_create(teacher=self.teacher, defaults={"time_zone": zone})

    def test_a_lesson_has_the_day_of_the_teachers_zone(self):
        for now, zone, day in HOURS:
            with (
                self.subTest(now=now, zone=zone),
                patch.object(timezone, "now", lambda now=now: now),
            ):
                self.client.force_login(self.teacher)
                self.look_from(zone)
                begun = self.client.post(f"/api/players/{self.player.pk}/lessons").json()
                self.assertEqual(begun["date"], str(day))

    def test_the_phone_opens_on_the_teachers_day(self):
        token = make_link(self.whole_lesson(0, GRIP).player).token
        for now, zone, day in HOURS[:4]:
            with (
                self.subTest(now=now, zone=zone),
                patch.object(timezone, "now", lambda now=now: now),
            ):
                self.look_from(zone)
                week = self.client.get(f"/api/home/{token}").json()
                self.assertEqual((week["today"], week["given_on"]), (str(day), str(DAY)))
