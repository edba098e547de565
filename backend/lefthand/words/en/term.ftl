# What has changed over the lessons.

term-gone = { START($cause) }: gone.
term-less-month = { START($cause) }: clearly less than in { MONTH($day) }.
term-less-year = { START($cause) }: clearly less than in { MONTH($day, year: "yes") }.
term-back = { START($cause) } may be back.
term-stuck = Stuck: { $cause }.

term-since-month = since { MONTH($day) }
term-since-year = since { MONTH($day, year: "yes") }
term-worked-for = worked on for { $lessons ->
    [one] one lesson
   *[other] { $lessons } lessons in a row
 }
term-worked-until-month = worked on until { MONTH($day) }
term-worked-until-year = worked on until { MONTH($day, year: "yes") }

term-seen = { START($label) }: { $how }
term-no-lesson = no lesson
term-of-finger = { START($label) }, finger { $finger }
term-first-worst = The first was the worst day: part of it would have come by itself.
term-not-known = not known yet
term-chance = may be chance
term-better-real = better, real
term-worse-real = worse, real

term-away = Has not come for { $weeks } weeks.
term-ready = Nothing shows any more: ready for a harder piece.
