#!/usr/bin/env python
"""Django's command line. Trouble with files ends with one line and exit code 2."""

import os
import sys

from django.core.management import execute_from_command_line

from config.data_folder import database_path
from config.trouble import in_one_line


def main() -> None:
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "config.settings")
    try:
        execute_from_command_line(sys.argv)
    except Exception as error:
        line = in_one_line(error, database_path())
        if line is None:
            raise
        print(f"jolf: {line}", file=sys.stderr)
        sys.exit(2)


if __name__ == "__main__":
    main()
