"""How much of what can be tried is tried.

Usually some of it, chosen to meet each kind of trouble; all of it by `./jolf test --thorough`.
"""

import os
from typing import TypeVar

T = TypeVar("T")
IS_THOROUGH = os.environ.get("JOLF_TESTS") == "thorough"


def usually(some: T, everything: T) -> T:
    return everything if IS_THOROUGH else some
