# What the rules have against a week that was changed by hand.

objection-to = { $exercise }: { $against }
objection-step = step { $step } comes after step { $reached }
objection-level = this step is for { $level } players
objection-dose = no more than { $dose } for now
objection-spacing = what loads the hand rests a day in between
objection-share = { $minutes ->
    [one] { $minutes } minute
   *[other] { $minutes } minutes
 } a day load the hand; { $enough } are enough
objection-growth = { $seconds } s of load this week; from what was done before, { $enough } s are enough
objection-warm = warm up first: a release before { $exercise }
objection-order = order: release, then placement, then strength, then the step into music
objection-many = { $count } exercises; { $enough } are enough
objection-minutes = { $minutes ->
    [one] { $minutes } minute
   *[other] { $minutes } minutes
 } a day; { $meant } were meant
objection-day-off = no day off
objection-few-days = fewer than { $days } days
