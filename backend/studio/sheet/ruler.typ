// A paper ruler and tape guide, to be printed at its true size. All numbers come in as JSON, in mm.
#let ruler = json(bytes(sys.inputs.ruler))
#set document(title: ruler.says.title, author: "Jolf")
#set page(paper: sys.inputs.paper, margin: (x: 17mm, top: 13mm, bottom: 13mm))
#set text(font: ("Atkinson Hyperlegible Next", "Noto Music"), size: 10pt, lang: "en")
#set par(leading: 0.6em, spacing: 0.6em)
#show heading: set text(font: "Literata", weight: 600)
#let ink = luma(35%)
#let left = 16mm
#let board = ruler.board * 1mm

= #ruler.says.heading
#text(fill: ink)[#ruler.says.of]

#grid(columns: (auto, 1fr), column-gutter: 8mm, align: horizon,
  stack(dir: ttb, spacing: 2pt, line(length: 100mm, stroke: 1pt), text(size: 9pt)[#ruler.says.scale]),
  text(size: 9pt)[#ruler.says.cut],
)
#v(4mm)

#block(height: ruler.height * 1mm, width: 100%)[
  // The strip: the board to scale, from its upper edge down.
  #place(dx: left, rect(width: board, height: 100%, stroke: 0.8pt, fill: luma(96%)))
  #for at in ruler.ticks {
    let long = calc.rem(at, 10) == 0
    place(dx: left, dy: (at - ruler.from) * 1mm, line(length: if long { 4.5mm } else { 2.2mm }, stroke: 0.35pt))
    if long {
      place(dx: left - 9mm, dy: (at - ruler.from) * 1mm - 1.3mm, box(width: 8mm, align(right, text(size: 7.5pt, fill: ink)[#at])))
    }
  }
  #for tape in ruler.tapes {
    let y = (tape.at - ruler.from) * 1mm
    place(dx: left, dy: y, line(length: board + 8mm, stroke: 1.4pt))
    place(dx: left + board + 9mm, dy: y - 2.2mm, [*#tape.finger* #h(2mm) #tape.words])
  }
  // What the frame needs, and what the hand spans, from the first finger down.
  #for (index, span) in ruler.spans.enumerate() {
    let x = left + board + 52mm + index * 26mm
    let y = (ruler.tapes.first().at - ruler.from) * 1mm
    place(dx: x, dy: y, line(start: (0mm, 0mm), end: (0mm, span.mm * 1mm), stroke: 2.6pt + if index == 0 { black } else { luma(45%) }))
    place(dx: x - 2mm, dy: y, line(length: 4mm, stroke: 1pt))
    place(dx: x - 2mm, dy: y + span.mm * 1mm, line(length: 4mm, stroke: 1pt))
    place(dx: x + 2.5mm, dy: y + span.mm * 0.5mm - 5mm, box(width: 22mm, text(size: 9pt)[#span.words #linebreak() *#span.told mm*]))
  }
]
#v(2mm)
#text(size: 9pt)[#ruler.note]
