"""How often a private link may be used, each purpose by itself.

Counted by link and not by address: a whole school has one. An address has a wide limit of its own,
so that nobody asks for links at random.
"""

import hashlib

from django.conf import settings
from django.http import HttpRequest
from ninja.throttling import AnonRateThrottle, BaseThrottle, SimpleRateThrottle


class AnyLink(AnonRateThrottle):
    """Everything from one address together."""

    scope = "home_address"


class LinkThrottle(SimpleRateThrottle):
    """One purpose of one link."""

    def __init__(self, scope: str, rate: str) -> None:
        self.scope = scope
        super().__init__(rate)

    def get_cache_key(self, request: HttpRequest) -> str:
        token = request.resolver_match.kwargs.get("token", "") if request.resolver_match else ""
        ident = hashlib.sha256(str(token).encode("utf-8", "replace")).hexdigest()
        return self.cache_format % {"scope": self.scope, "ident": ident}


ANY = AnyLink(settings.HOME_ADDRESS_RATE)
READING: list[BaseThrottle] = [ANY, LinkThrottle("home_read", settings.HOME_READ_RATE)]
TELLING: list[BaseThrottle] = [ANY, LinkThrottle("home_tell", settings.HOME_TELL_RATE)]
TAKES: list[BaseThrottle] = [ANY, LinkThrottle("home_take", settings.HOME_TAKE_RATE)]
