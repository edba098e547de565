// The practice sheet: one thing, seven days, three exercises. All words and numbers come in as JSON;
// nothing here is data. Order never changes, so that a child finds things by their place. One print
// holds one sheet or those of a whole class.
#let sheets = json(bytes(sys.inputs.sheets))
#let scale = float(sys.inputs.scale)

#set document(
  title: sys.inputs.title,
  author: "Jolf",
)
#set text(font: ("Atkinson Hyperlegible Next", "Noto Music"), lang: "en", hyphenate: false)

// `wide`: of a picture. `next`: the exercise that begins a page, 0 for none.
#let practice-sheet(sheet, wide, next) = [
#let child = sheet.child
#let says = sheet.says
#let body = (if child { 12.5pt } else { 11pt }) * scale
#let small = (if child { 10pt } else { 9.5pt }) * scale
#let soft = luma(28%)
#let serif = "Literata"
#let strong(words) = text(weight: 700)[#words]
#let hairline = line(length: 100%, stroke: 0.4pt + luma(60%))
#let blank = box(width: 1fr, stroke: (bottom: 0.6pt + luma(40%)))[#h(1pt)]
#let pad = (if child { 2.4mm } else { 2.2mm })

// What to do when it hurts is the last thing on every page.
#let hurts = block(width: 100%, stroke: 1.4pt, radius: 1.2mm, inset: (x: 3mm, y: 1.9mm), text(size: body)[
  #strong[#says.hurts]
  #says.hurts_do
])

#counter(page).update(1)
#set page(
  paper: sys.inputs.paper,
  margin: (x: 15mm, top: 11mm, bottom: 12mm + 11mm * scale),
  header-ascent: 2mm,
  header: context {
    let n = counter(page).get().first()
    if n > 1 { text(size: small, fill: soft)[#says.head #h(1fr) #says.page #n] }
  },
  footer-descent: 3mm,
  footer: if sheet.paused == none { hurts },
)
#set text(size: body)
#set par(leading: 0.5em, spacing: 0.6em)
#show heading: it => it.body
// The sans has a slashed zero, and "1Ø taps" is no number to a child.
#show regex("[0-9]+([.][0-9]+)?"): set text(font: serif)

#let strings = stack(spacing: 2.4pt, ..(1.3pt, 1pt, 0.7pt, 0.45pt).map(w => line(length: 100%, stroke: w + luma(35%))))

// The narrowest block that needs no further line.
#let balanced(words) = layout(size => {
  let tall(width) = measure(block(width: width, words)).height
  let width = size.width
  while width > 40mm and tall(width - 3mm) <= tall(size.width) + 0.1pt { width -= 3mm }
  block(width: width, words)
})
// Two lines: at its own comma or full stop where both halves fit.
#let said(words, style) = layout(size => {
  let fits(part) = measure(style(part)).width <= size.width
  let cut = words.match(regex("^(.{9,}?[.;:,]) (.{9,})$"))
  if not fits(words) and cut != none and cut.captures.all(fits) {
    stack(spacing: 8pt * scale, ..cut.captures.map(style))
  } else { balanced(style(words)) }
})

#show heading.where(level: 1): it => if sheet.paused == none {
  said(sheet.one, part => text(font: serif, weight: 600, size: (if child { 29pt } else { 25pt }) * scale, part))
} else { text(font: serif, weight: 600, size: 34pt, it.body) }

#let who = text(size: small + 1pt, fill: soft)[
  #text(weight: 700, size: body + 1pt, fill: black)[#sheet.name] · #sheet.instrument · #says.from#if sheet.minutes != "" [ · #sheet.minutes]
]

#let head = grid(
  columns: if sheet.code == "" { (1fr,) } else { (1fr, 22mm) },
  column-gutter: 8mm,
  align: (left + top, center + top),
  [
    #who
    #v(if child { 2mm } else { 1.5mm })
    #block(width: 100%)[
      #set par(leading: 0.32em)
      #heading(level: 1, sheet.one)
    ]
    #v(0.5mm)
    #text(size: body + 0.5pt)[#sheet.why]
  ],
  ..if sheet.code == "" { () } else { ([
    #image(bytes(sheet.code), format: "svg", width: 21mm, alt: says.code)
    #v(-1.5mm)
    #block(width: 22mm, text(size: 8pt * scale, fill: soft)[#says.code_words])
  ],) },
)

// Seven rings on a string, to colour; free days are dotted.
#let ring = if child { 13mm } else { 10mm }
#let day(it) = stack(spacing: 1.2mm,
  box(width: 24mm, align(center, circle(
    radius: ring / 2, fill: white, inset: 0pt,
    stroke: if it.free { (paint: luma(45%), thickness: 0.9pt, dash: "dotted") } else { 1.3pt },
    align(center + horizon, text(font: serif, size: small, tracking: 0.25em, fill: luma(35%))[#it.numbers]),
  ))),
  box(width: 24mm, align(center, text(size: small + 0.5pt, weight: if it.free { 400 } else { 700 })[
    #it.name
  ])),
)
#let days = block(width: 100%)[
  #if says.rings != "" [
    #text(size: small, fill: soft)[#says.rings]
    #v(-1.2mm)
  ]
  #block(width: 100%, height: ring + 6mm)[
    #place(dy: ring / 2 - 3.6pt, strings)
    #grid(columns: (1fr,) * 7, align: center + top, ..sheet.days.map(day))
  ]
]

// A movement has an arrow between its two ends; of right and wrong, the wrong one is dashed.
#let gap = 6mm
#let arrow = box(width: gap, height: wide * 0.84, align(center + horizon, stack(dir: ltr,
  line(length: 1.8mm, stroke: 1pt), polygon(fill: black, (0mm, -1.3mm), (2mm, 0mm), (0mm, 1.3mm)))))
#let framed(each, wrong) = stack(spacing: 1.5mm,
  block(stroke: if wrong { (paint: luma(30%), thickness: 0.9pt, dash: "dashed") } else { 0.9pt }, radius: 1.2mm, clip: true,
    image(bytes(each.svg), format: "svg", width: wide, alt: each.words)),
  block(width: wide, align(center, text(size: small)[#each.words])),
)
#let pictures(it) = grid(columns: (wide, gap, wide), align: top,
  framed(it.pictures.at(0), false), if it.moves { arrow }, framed(it.pictures.at(1), not it.moves))

#let dose(it) = text(font: serif, weight: 600, size: (if child { 16pt } else { 15pt }) * scale)[
  #if it.before != "" [#text(size: small, weight: 400, fill: soft)[#strike(it.before)] ]#it.dose
]
#let facts(it) = grid(columns: (auto, 1fr), column-gutter: 0.5em, row-gutter: 0.5em,
  strong(says.feels), it.feel + ".", strong(says.stop_when), it.stop + ".")
#let words(n, it) = [
  #grid(columns: (1fr, auto), column-gutter: 4mm, align: (left + bottom, right + bottom),
    heading(level: 2, text(font: serif, weight: 600, size: 14.5pt * scale)[#n #h(0.35em) #it.name]),
    dose(it))
  #v(-0.8mm)
  #hairline
  #if it.rung != "" [#v(-0.6mm) #text(size: small, fill: soft)[#it.rung]#if it.music.len() == 0 and it.tempo > 0 [ #text(size: small, fill: soft)[· ♩ = #it.tempo]]]
  #v(0.2mm)
  #let steps = enum(tight: true, spacing: 0.5em, indent: 0pt, body-indent: 0.5em,
    numbering: n => text(fill: soft)[#("a", "b", "c", "d").at(n - 1)], ..it.steps)
  #if it.pictures.len() == 0 { grid(columns: (1fr, 1fr), column-gutter: 8mm, steps, facts(it)) } else [
    #steps
    #v(0.5mm)
    #facts(it)
  ]
]
#let title(it) = [
  #if it.title != "" [#text(font: serif, weight: 600)[#it.title] #h(0.5em) #text(size: small, fill: soft)[#it.credit]]
  #h(1fr)
  #if it.tempo > 0 [#box[#text(font: ("Noto Music", serif))[♩]#text(font: serif)[#(" = " + str(it.tempo))]]]
  #if it.hint != "" [#h(0.5em) #text(font: serif, style: "italic")[#it.hint]]
  #if it.looks.len() > 0 [
    #linebreak()
    #h(1fr)
    #for look in it.looks [#box(baseline: 15%, image(bytes(look.svg), format: "svg", height: 0.95em, alt: look.words)) #look.words #h(0.8em)]
  ]
]
#let music(it, part) = image(bytes(part.svg), format: "svg", width: part.width * 1mm, alt: it.alt)
// Blanks for the bars of a piece that nobody brought, and a staff to copy the hardest of them.
#let staff = block(width: 100%, stroke: (right: 0.6pt), stack(spacing: 1.7mm, ..range(5).map(_ => line(length: 100%, stroke: 0.5pt))))
#let writes = [
  #let gap = box(width: 22mm, stroke: (bottom: 0.6pt))[]
  #v(1.5mm) #says.my_piece #gap #says.to #gap #h(2em) #says.copy
  #v(2.5mm)
  #staff
  #v(1mm)
]

#let exercise(n, it) = {
  let parts = it.music
  block(width: 100%, breakable: false)[
    #if it.pictures.len() > 0 {
      grid(columns: (2 * wide + gap, 1fr), column-gutter: 6mm, align: top, pictures(it), words(n, it))
    } else { words(n, it) }
    #if it.writes { writes }
    #if parts.len() > 0 [
      #v(1.2mm)
      #block(width: parts.at(0).width * 1mm, below: 2.2mm, title(it))
      #music(it, parts.at(0))
    ]
  ]
  for part in parts.slice(calc.min(1, parts.len())) { block(breakable: false, above: 1mm, music(it, part)) }
}

// How far down a page is filled, in mm, for whoever chooses where the next one begins.
#let filled = block(height: 0pt, above: 0pt, below: 0pt, context [#metadata(here().position().y.mm()) <filled>])

#let foot = [
  #if sheet.helper != "" [#block(below: 2.2mm)[#strong(says.helper) #sheet.helper]]
  #if sheet.ear != "" [#block(below: 2.2mm)[#sheet.ear]]
  #if sheet.teacher != "" [#block(below: 2.6mm, text(font: serif, style: "italic", size: body + 1pt)[“#sheet.teacher”])]
  #block(width: 100%)[#strong(says.own_word) #blank]
]

// For whoever sits beside and reads no music: what to look at, what to say and what not.
#let helper-page(it) = [
  #show heading.where(level: 1): each => text(font: serif, weight: 600, size: 22pt * scale, each.body)
  #v(3mm)
  #heading(level: 1, it.title)
  #v(1mm)
  #strong(says.one_thing) #text(font: serif, weight: 600, size: body + 2pt)[#sheet.one] #linebreak() #sheet.why
  #v(2mm)
  #for (n, each) in it.exercises.enumerate(start: 1) {
    v(pad)
    block(breakable: false, width: 100%, grid(
      columns: if each.pictures.len() > 0 { (2 * wide + gap, 1fr) } else { (1fr,) },
      column-gutter: 6mm, align: top,
      ..if each.pictures.len() > 0 { (pictures(each),) },
      [
        #heading(level: 2, text(font: serif, weight: 600, size: 14.5pt * scale)[#n #h(0.35em) #each.name])
        #v(-0.8mm)
        #hairline
        #grid(columns: (auto, 1fr), column-gutter: 0.5em, row-gutter: 0.6em,
          strong(says.how_much), each.dose, strong(says.look), each.see, strong(says.stop_when), each.stop + ".")
      ],
    ))
  }
  #v(5mm)
  #grid(columns: (1fr, 1fr), column-gutter: 10mm,
    ..it.columns.map(column => [
      #heading(level: 2, text(font: serif, weight: 600, size: 14.5pt * scale)[#column.title])
      #v(-0.8mm)
      #hairline
      #list(spacing: 0.7em, ..column.lines)
    ]))
]

#if sheet.paused != none [
  #who
  #v(6mm)
  #block(width: 100%, stroke: 2.4pt, radius: 2mm, inset: 8mm)[
    #set par(leading: 0.5em, spacing: 1em)
    #heading(level: 1, says.rest)

    #text(size: 16pt)[#says.rest_until]

    #text(size: 16pt)[#says.rest_see #strong[#sheet.paused.join("; ")].]
  ]
  #v(8mm)
  #strong(says.they_said) #blank
  #v(7mm) #blank #v(7mm) #blank
  #v(10mm)
  #strong(says.meanwhile) #says.meanwhile_do
] else [
  #head
  #v(pad) #if next == 0 [#v(0.6fr)]
  #if sheet.eased [
    #block(width: 100%, fill: luma(90%), radius: 1.2mm, inset: (x: 3mm, y: 2mm))[
      #text(font: serif, weight: 600, size: body + 3pt)[#says.easing] #says.easing_do
    ]
    #v(pad) #v(0.6fr)
  ]
  #if sheet.items.len() == 0 [
    #text(size: body + 3pt)[#says.nothing]
    #v(1fr)
  ] else [
    #days
    #for (n, it) in sheet.items.enumerate(start: 1) {
      if n == next { filled + pagebreak() } else if next > 0 { v(10mm) } else { v(pad) + v(1fr) }
      exercise(n, it)
    }
    #filled
    #v(pad) #v(1fr)
  ]
  #foot
]
#if sheet.helper_page != none [
  #pagebreak()
  #helper-page(sheet.helper_page)
]
]

#for each in sheets { practice-sheet(each.sheet, each.picture * 1mm, each.break) }
#context [#metadata(here().page()) <end>]
