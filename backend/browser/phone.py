"""The week on the phone, as a player touches it."""

import re

from playwright.sync_api import Page

LOG = re.compile("without the phone|How was|Change it")


def week_is_there(page: Page) -> None:
    page.get_by_role("list", name="Days of the week").wait_for()


def touch(page: Page, words: str) -> None:
    """A button that begins with these words."""
    page.get_by_role("button", name=re.compile(f"^{re.escape(words)}")).first.click()


def log_day(page: Page, done: str = "All of it", felt: str = "Soft") -> None:
    """A day practised without the phone, up to the question whether anything hurt."""
    page.get_by_role("button", name=LOG).click()
    touch(page, done)
    end_day(page, felt)


def go_through(page: Page) -> None:
    """The practice of a day, from the page that is open to its end."""
    # The exercises come a moment after the week.
    page.get_by_role("button", name=re.compile("^(Next|Done)$")).wait_for()
    while page.get_by_role("button", name="Next").count():
        page.get_by_role("button", name="Next").click()
    page.get_by_role("button", name="Done").click()


def end_day(page: Page, felt: str = "Soft") -> None:
    """The one thing and the hand, up to the question whether anything hurt."""
    touch(page, "Yes, mostly")
    touch(page, felt)


def nothing_hurt(page: Page) -> None:
    touch(page, "No, nothing")


def it_hurts(page: Page, pain: int, place: str = "wrist") -> None:
    """The answers of a grown player, from the question whether anything hurt."""
    touch(page, "Yes")
    touch(page, "It just hurts")
    page.get_by_role("group", name="Where does it hurt?").get_by_text(place, exact=True).click()
    page.get_by_role("button", name=f"Pain {pain} of 10", exact=True).click()
