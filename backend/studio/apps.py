from django.apps import AppConfig
from django.core.signals import request_finished


class StudioConfig(AppConfig):
    name = "studio"

    def ready(self) -> None:
        from studio.players.erasing import empty_log_again  # noqa: PLC0415 - needs the models

        request_finished.connect(empty_log_again, dispatch_uid="empty the log again")
