# What a way of teaching changes.

way-accepts = { START($label) }: no fault up to { $how }.
way-cuts = Other edges between grades for: { $measure }.
way-prefers = Comes earlier in a week: { $exercises }.
way-puts-back = Comes later in a week: { $exercises }.
way-keeps-down = Music says which fingers stay down, except where letting go is the exercise.
way-strength-loosen-first = Strength waits while a squeeze, held fingers, pressing or an unsafe hold is likely.
way-strength-loosen-only = No strength exercise is given.
way-strength-from-start = Strength does not wait; pain and stops still come first.
way-bass-fingering-124 = Music uses first, second and fourth; reach counts a whole step from first to fourth.
way-bass-fingering-1234 = Music uses all four fingers; reach counts one half step more.
way-says = { $count ->
    [one] One check or exercise says one sentence more.
   *[other] { $count } checks and exercises say one sentence more.
 }
