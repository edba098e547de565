"""Served for real: HTTPS by a proxy in front, sign-in and writing through it, the phone offline."""

import shutil
import tempfile
import time
from pathlib import Path
from typing import Any
from unittest import TestCase, skipUnless

from playwright.sync_api import Error, Page, expect

from browser.case import PATIENCE_MS
from browser.chromium import shared_chromium
from browser.phone import week_is_there
from browser.proxy import demo_behind_https, nginx
from studio.demo.data import DEMO_PASSWORD, DEMO_USERNAME


@skipUnless(nginx() and shutil.which("openssl"), "nginx and openssl are not on this computer")
class BehindHttps(TestCase):
    seconds_each = 50

    def open(self, page: Page, address: str) -> None:
        """The servers may need a moment to start."""
        for _ in range(150):
            try:
                if page.goto(address).ok:
                    return
            except Error:
                pass
            time.sleep(0.2)
        self.fail(f"{address} did not open")

    def new_page(self, **options: Any) -> Page:
        context = shared_chromium("--ignore-certificate-errors").new_context(**options)
        self.addCleanup(context.close)
        return context.new_page()

    def test_sign_in_a_week_and_the_phone_without_a_network(self):
        with (
            tempfile.TemporaryDirectory() as name,
            demo_behind_https(Path(name)) as proxy,
        ):
            page = self.new_page()
            page.set_default_timeout(PATIENCE_MS)
            self.open(page, proxy.address)
            page.get_by_label("Name").fill(DEMO_USERNAME)
            page.get_by_label("Password", exact=True).fill(DEMO_PASSWORD)
            page.keyboard.press("Enter")
            page.get_by_role("link", name="Mira Oslund").first.wait_for()
            cookies = {cookie["name"]: cookie for cookie in page.context.cookies()}
            self.assertTrue(all(cookie["secure"] for cookie in cookies.values()), cookies)
            page.get_by_role("button", name="lesson of Mira Oslund").click()
            page.get_by_role("button", name="All is well").wait_for()
            page.keyboard.press("w")
            page.get_by_role("heading", name="What it means").wait_for()
            page.keyboard.press("2")
            page.get_by_role("status").filter(has_text="Saved").wait_for()
            page.keyboard.press("d")
            page.get_by_role("button", name="Take it").click()
            page.get_by_role("heading", name="The week", exact=True).wait_for()
            page.keyboard.press("Enter")
            page.get_by_role("button", name="For the phone").click()
            address = page.get_by_label("Address", exact=True).input_value()
            self.assertTrue(address.startswith(f"{proxy.address}/home/"), address)
            phone = self.new_page(viewport={"width": 390, "height": 844})
            phone.set_default_timeout(PATIENCE_MS)
            phone.goto(address)
            phone.locator("html[data-kept='yes']").wait_for()
            proxy.stop()
            phone.reload()
            week_is_there(phone)
            phone.get_by_role("button", name="Begin").click()
            expect(phone.get_by_role("article")).to_be_visible()
