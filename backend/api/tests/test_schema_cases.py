"""The OpenAPI file keeps its word: seeded cases made from it by schemathesis, a general-purpose
reference library, meet no server error and no status that the file does not name."""

import json
import logging
from contextlib import suppress
from unittest import mock
from urllib.parse import quote, urlencode

import schemathesis
from django.core.cache import cache
from django.db import transaction
from django.test import Client
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from hypothesis.errors import Unsatisfiable
from schemathesis import GenerationMode

from api.main import api
from api.management.commands.openapi import openapi_text
from lefthand.tests.effort import usually
from studio.groups.groups import choose_checks, save_group
from studio.home.link import make_link
from studio.tests.studio_case import GRIP, StudioCase

CASES = usually(400, 3000)
SPARE = 1
WRITES_FILES = "multipart/form-data"


def documented(operation, status: int) -> bool:
    responses = operation.definition.raw["responses"]
    return str(status) in responses or f"{status // 100}XX" in responses


class SchemaCases(StudioCase):
    seconds_each = 110

    def setUp(self):
        super().setUp()
        self.given = self.whole_lesson(0, GRIP)
        self.group = save_group(self.teacher, None, "Group", [self.player.pk])
        choose_checks(self.group, ["web.closed"])
        self.token = make_link(self.given.player).token
        # The database of a test is in no file that could be copied.
        self.enterContext(mock.patch("api.desk.studio.make_copy"))
        self.client = Client(raise_request_exception=False)
        self.client.force_login(self.teacher)
        self.client.get("/api/session")
        logging.disable(logging.CRITICAL)
        self.addCleanup(logging.disable, logging.NOTSET)
        self.sent = 0

    def test_no_case_meets_a_server_error_or_an_unnamed_status(self):
        schema = schemathesis.openapi.from_dict(json.loads(openapi_text()))
        operations = [found.ok() for found in schema.get_all_operations()]
        self.assertEqual(len(operations), sum(map(len, api.get_openapi_schema()["paths"].values())))
        each = -(-CASES // (2 * len(operations))) + SPARE
        for operation in operations:
            for mode in (GenerationMode.POSITIVE, GenerationMode.NEGATIVE):
                with self.subTest(operation=operation.label, mode=mode.value):
                    self.try_cases(operation, mode, each)
        self.assertGreaterEqual(self.sent, CASES)

    def try_cases(self, operation, mode, count):
        @settings(
            max_examples=count,
            derandomize=True,
            database=None,
            deadline=None,
            phases=[Phase.generate],
            suppress_health_check=list(HealthCheck),
        )
        @given(operation.as_strategy(generation_mode=mode), st.booleans())
        def run(case, is_known):
            with transaction.atomic():
                answer = self.send(case, is_known)
                transaction.set_rollback(True)
            told = f"{case.method} {case.path_parameters} {case.query} {case.body!r}"[:600]
            self.assertLess(answer.status_code, 500, told)
            self.assertTrue(documented(operation, answer.status_code), (answer.status_code, told))
            if answer.status_code >= 400:
                self.assertEqual(set(answer.json()), {"code", "message", "fields"}, told)

        with suppress(Unsatisfiable):  # an operation in which nothing can be wrong
            run()

    def send(self, case, is_known):
        cache.clear()
        self.sent += 1
        known = {"player_id": self.player.pk, "lesson_id": self.given.pk, "group_id": self.group.pk,
                 "token": self.token} if is_known else {}  # fmt: skip
        names = {**(case.path_parameters or {}), **known}
        path = case.path
        for name, value in names.items():
            path = path.replace("{" + name + "}", quote(str(value), safe=""))
        query = urlencode(case.query or {}, doseq=True, errors="replace")
        address = f"{path}?{query}" if query else path
        if case.media_type == WRITES_FILES or isinstance(case.body, bytes):
            body = (
                case.body if isinstance(case.body, bytes) else json.dumps(str(case.body)).encode()
            )
        elif "application/json" in (case.media_type or ""):
            body = json.dumps(case.body, default=str).encode("utf-8", "surrogatepass")
        else:
            body = b""
        return self.client.generic(
            case.method, address, body, content_type=case.media_type or "application/json"
        )
