"""The teacher's holidays."""

from django.http import HttpRequest
from ninja import Router

from api.days import today
from api.desk.schemas import HolidayIn, HolidayOut
from studio.today.holidays import add_holiday, holidays_of, remove_holiday

router = Router(tags=["desk"])


@router.get("/holidays", response=list[HolidayOut])
def read_holidays(request: HttpRequest) -> list[HolidayOut]:
    """Those that are not over."""
    return [
        HolidayOut(id=each.pk, first=each.first, last=each.last)
        for each in holidays_of(request.user, today(request))
    ]


@router.post("/holidays", response=list[HolidayOut])
def keep_holiday(request: HttpRequest, data: HolidayIn) -> list[HolidayOut]:
    """One more; the list with it."""
    add_holiday(request.user, data.first, data.last, today(request))
    return read_holidays(request)


@router.delete("/holidays/{int:holiday_id}", response=list[HolidayOut])
def drop_holiday(request: HttpRequest, holiday_id: int) -> list[HolidayOut]:
    """Lessons take place again; the list without it."""
    remove_holiday(request.user, holiday_id)
    return read_holidays(request)
