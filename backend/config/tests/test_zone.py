"""The studio's days begin where the computer is."""

import tempfile
from pathlib import Path
from unittest import TestCase

from django.core.exceptions import ImproperlyConfigured

from config.zone import system_zone


class Zone(TestCase):
    def setUp(self):
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.name = Path(folder.name) / "timezone"
        self.link = Path(folder.name) / "localtime"

    def zone(self, given=""):
        return system_zone(given, self.name, self.link)

    def test_tz_wins_then_the_file_then_the_link_then_utc(self):
        self.assertEqual(self.zone(), "UTC")
        self.link.symlink_to("/usr/share/zoneinfo/Europe/Oslo")
        self.assertEqual(self.zone(), "Europe/Oslo")
        self.name.write_text("Europe/Lisbon\n", encoding="utf-8")
        self.assertEqual(self.zone(), "Europe/Lisbon")
        self.assertEqual(self.zone("America/Lima"), "America/Lima")
        self.assertEqual(self.zone(":Asia/Tokyo"), "Asia/Tokyo")

    def test_what_names_no_zone(self):
        self.name.write_text("nowhere", encoding="utf-8")
        self.link.symlink_to("/etc/../../nothing")
        self.assertEqual(self.zone(), "UTC")
        for wrong in ("Mars/Olympus", "../../etc/passwd", "CET-1CEST,M3.5.0"):
            with self.subTest(wrong), self.assertRaises(ImproperlyConfigured) as caught:
                self.zone(wrong)
            self.assertIn("such as Europe/Oslo", str(caught.exception))
