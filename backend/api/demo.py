"""Whether it is the demo studio that asks."""

from django.http import HttpRequest

from studio.demo.data import DEMO_USERNAME


def is_demo(request: HttpRequest) -> bool:
    """True where the demo studio is served."""
    return request.user.get_username() == DEMO_USERNAME
