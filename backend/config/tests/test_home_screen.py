"""A practice week on the home screen of a phone, and what its first screen weighs."""

import gzip
import re
from unittest import mock

from django.test import TestCase
from PIL import Image

from config import pages
from config.settings import FRONTEND_BUILD

TOKEN = "abc-DEF_123"
MOST_OF_THE_FIRST_SCREEN = 30_000


class HomeScreen(TestCase):
    def test_it_opens_the_link_it_was_kept_from_and_names_nobody(self):
        page = self.client.get(f"/home/{TOKEN}").content.decode()
        found = re.search(r'<link rel="manifest" href="([^"]+)"', page)
        answer = self.client.get(found[1])
        told = answer.json()
        self.assertEqual(answer["Content-Type"], "application/manifest+json")
        self.assertEqual(told["start_url"], f"/home/{TOKEN}")
        self.assertEqual((told["name"], told["display"]), ("Practice week", "standalone"))
        for icon in told["icons"]:
            built = FRONTEND_BUILD / icon["src"].removeprefix("/static/")
            self.assertTrue(built.is_file(), icon)
            if icon["type"] == "image/png":
                with Image.open(built) as drawn:
                    self.assertEqual(icon["sizes"], "{}x{}".format(*drawn.size))

    def test_an_odd_address_stays_an_address(self):
        odd = "%22%3E%3Cscript%3Ealert(1)%3C%2Fscript%3E"
        page = self.client.get(f"/home/{odd}").content.decode()
        self.assertNotIn("<script>alert", page)

    def test_without_pages_there_is_a_word_for_it(self):
        elsewhere = mock.patch.object(pages, "settings", FRONTEND_BUILD=FRONTEND_BUILD / "none")
        with elsewhere, self.assertLogs("django.request", "ERROR"):
            self.assertEqual(self.client.get(f"/home/{TOKEN}").status_code, 503)

    def test_the_first_screen_is_light(self):
        page = (FRONTEND_BUILD / "home.html").read_bytes()
        parts = re.findall(rb'(?:src|href)="/static/(assets/[^"]+[.](?:js|css))"', page)
        self.assertEqual({part.rpartition(b".")[2] for part in parts}, {b"js", b"css"})
        read = [page, *((FRONTEND_BUILD / part.decode()).read_bytes() for part in parts)]
        weight = sum(len(gzip.compress(each)) for each in read)
        self.assertLess(weight, MOST_OF_THE_FIRST_SCREEN)
