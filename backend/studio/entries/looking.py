"""How the lesson looks: checks that are left out today, and the order of looking."""

from typing import Any

from lefthand.case.findings import check_evidence_id
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.reason.looks import LookOrder
from lefthand.values.fields import read_choice, read_flag
from studio.entries.kind import EntryKind, instrument_of
from studio.entries.opened import Opened


def _read_skip(opened: Opened, key: str) -> Any:
    return key in opened.lesson.skipped


def _write_skip(opened: Opened, key: str, value: Any) -> None:
    name = check_evidence_id("evidence", key, load_catalogue(), instrument_of(opened)).id
    skipped = [each for each in opened.lesson.skipped if each != name]
    opened.lesson.skipped = [*skipped, name] if read_flag("skip", value) else skipped


def _read_order(opened: Opened, _key: str) -> Any:
    return opened.lesson.look_order


def _write_order(opened: Opened, _key: str, value: Any) -> None:
    opened.lesson.look_order = read_choice("order", value, LookOrder).value


SKIP = EntryKind("skipped check", _read_skip, _write_skip, weighs=False)
ORDER = EntryKind("order of looking", _read_order, _write_order, weighs=False)
