"""`python -m lefthand` without another process; that it is a command is tested by itself."""

import io
import subprocess
from contextlib import redirect_stderr, redirect_stdout
from unittest import mock

from lefthand.__main__ import main


def run_lefthand(*arguments: object, typed: str = "") -> subprocess.CompletedProcess[str]:
    """`typed`: what comes in on stdin."""
    out, err = io.StringIO(), io.StringIO()
    words = [str(each) for each in arguments]
    with redirect_stdout(out), redirect_stderr(err), mock.patch("sys.stdin", io.StringIO(typed)):
        try:
            code = main(words)
        except SystemExit as stopped:
            code = int(stopped.code or 0)
    return subprocess.CompletedProcess(words, code, out.getvalue(), err.getvalue())
