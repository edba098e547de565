"""Signing in and out, and who is here."""

import hashlib
import json

from django.conf import settings
from django.contrib.auth import authenticate, login, logout
from django.http import HttpRequest
from django.middleware.csrf import get_token
from ninja import Router
from ninja.security import APIKeyCookie
from ninja.throttling import AnonRateThrottle

from api.session.schemas import SessionOut, SignInIn, TeacherOut
from studio.demo.data import DEMO_USERNAME
from studio.errors import StudioError

router = Router(tags=["session"])


class CsrfOnly(APIKeyCookie):
    """No sign-in needed, but the cross-site check is made as everywhere else."""

    param_name = settings.CSRF_COOKIE_NAME

    def authenticate(self, _request: HttpRequest, key: str | None) -> str | None:
        return key


class AddressThrottle(AnonRateThrottle):
    """Counts every try from one address, signed in or not."""

    scope = "sign_in"

    def get_cache_key(self, request: HttpRequest) -> str:
        return self.cache_format % {"scope": self.scope, "ident": self.get_ident(request)}


class NameThrottle(AddressThrottle):
    """Counts tries at one name from one address, so that somebody else's tries at another name, or
    from another place, lock nobody out."""

    scope = "sign_in_name"

    def get_cache_key(self, request: HttpRequest) -> str:
        return f"{super().get_cache_key(request)}-{_name_tried(request)}"


def _name_tried(request: HttpRequest) -> str:
    try:
        name = json.loads(request.body)["username"]
    except (ValueError, KeyError, TypeError, RecursionError):
        name = ""
    return hashlib.sha256(str(name).casefold().encode("utf-8", "replace")).hexdigest()


def _session(request: HttpRequest) -> SessionOut:
    user = request.user
    if not user.is_authenticated:
        return SessionOut(teacher=None)
    own = getattr(user, "studio_settings", None)
    name = own.display_name if own and own.display_name else user.get_username()
    return SessionOut(
        teacher=TeacherOut(
            key=str(user.pk),
            username=user.get_username(),
            name=name,
            is_demo=user.get_username() == DEMO_USERNAME,
            letter_keys=own.letter_keys if own else True,
            hand_tone=own.hand_tone if own else "outline",
        )
    )


@router.get("", auth=None, response=SessionOut)
def who_is_here(request: HttpRequest) -> SessionOut:
    """Also sets the cookie that later requests must echo."""
    get_token(request)
    return _session(request)


@router.post(
    "/sign-in",
    auth=CsrfOnly(),
    response=SessionOut,
    throttle=[
        NameThrottle(settings.SIGN_IN_RATE_OF_NAME),
        AddressThrottle(settings.SIGN_IN_RATE_OF_ADDRESS),
    ],
)
def sign_in(request: HttpRequest, data: SignInIn) -> SessionOut:
    """Begin a session; 401 where name and password do not match."""
    user = authenticate(request, username=data.username, password=data.password)
    if user is None:
        raise StudioError("sign_in_failed")
    login(request, user)
    return _session(request)


@router.post("/sign-out", response=SessionOut)
def sign_out(request: HttpRequest) -> SessionOut:
    """End the session."""
    logout(request)
    return SessionOut(teacher=None)
