# What a proposed week leaves out, and why.

week-hand-below = Only in the lesson, with your hand below the instrument: { $exercises }.
week-goes-on = Nothing was looked at today, so last week's work goes on.
week-no-cause = No cause stands out yet, so this week keeps the hand loose and makes music.
week-no-focus = No focus yet. For the meantime something gentle that also answers: { $cause }.
week-look-next = To know more, look next at: { $checks }.
week-no-release = No release: { $minutes } minutes a day hold no more.
week-no-transfer = No step into music: { $minutes } minutes a day hold no more.
week-no-transfer-eased = No step into music while easing off ({ $because }).
week-few-minutes = { $used } of { $minutes } minutes a day: { $because }.
few-eased = doses are halved while easing off ({ $because })
few-loose = loose joints work short and often
few-enough = more of the same does not help; play what you like with the rest

# First of the steps, where the hold is not safe and the exercise lets go of the instrument.
carried-scroll = A helper carries the scroll.
carried-body = A helper steadies the instrument.

# To the player, in the week after a finger that was flat is in its place: the old place sounds right for a while.
ear-child = Does it sound too high now? It was too low before.
ear-others = It feels higher now, so it was low before. The ear needs a few days.
