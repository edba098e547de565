"""The address of a private page, and its square code for paper."""

from io import BytesIO
from urllib.parse import urlsplit

import segno
from django.conf import settings
from django.http import HttpRequest

from studio.home.link import link_of
from studio.models import HomeLink, Player

THIS_COMPUTER = {"localhost", "127.0.0.1", "::1"}


def address_of(request: HttpRequest, link: HomeLink) -> str:
    """The whole address of a link as this request reached the server."""
    page = f"/home/{link.token}"
    return settings.ADDRESS + page if settings.ADDRESS else request.build_absolute_uri(page)


def is_local(address: str) -> bool:
    """True for an address that only this computer reaches."""
    return urlsplit(address).hostname in THIS_COMPUTER


def code_for(request: HttpRequest, player: Player) -> str:
    """The private page as a square code for paper; "" where no phone could open it."""
    link = link_of(player)
    address = address_of(request, link) if link else ""
    if link is None or is_local(address):
        return ""
    out = BytesIO()
    segno.make(address, micro=False, error="m").save(out, kind="svg", border=0, xmldecl=False)
    return out.getvalue().decode()
