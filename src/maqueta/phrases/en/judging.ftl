### What checks find: by rule, its heading, the standard or practice behind it ("Mem.": from memory), and for each
### way of being broken what happened, what was expected and what was found.

## Front

front-side = Another side is the better front view
    .basis = common practice, no source
    .listed = The front view shows the side { $side }; this exercise takes { EITHER($accepted) } as front.
    .listed-expected = front view on { EITHER($accepted) }
    .listed-found = front view on { $side }
    .ranked = The side { $side } reaches { FIXED($score) } points as front view, { $best_side } { FIXED($best) }. { $reason }
    .ranked-expected = front view on { $best_side }, or within { PLAIN($margin) } points of it
    .ranked-found = front view on { $side }, { FIXED($gap) } points behind

front-turn = The front view is turned
    .basis = common practice, no source
    .message = The right side is shown, but turned: { $up } points up on the sheet, it should be { $best_up }.
    .expected = { $best_up } up
    .found = { $up } up

## Angle

angle-arrangement = Views follow the other angle of projection
    .basis = ISO 5456-2, ASME Y14.3 (Mem.)
    .message = This exercise asks for { $angle } angle: { EACH($placed) }.
    .expected = { $angle }-angle arrangement
    .found = { $other }-angle arrangement

angle-mixed = First and third angle are mixed
    .basis = ISO 5456-2, ASME Y14.3 (Mem.)
    .message = Some views follow one angle and some the other: { EACH($placed) }.
    .expected = one angle throughout
    .found = { EACH($placed) }

angle-symbol = Angle symbol
    .basis = ISO 5456-2 (Mem.)
    .missing = The title block carries no angle symbol.
    .missing-expected = the { $angle }-angle symbol
    .missing-found = none
    .contradicts = The title block shows the { $symbol }-angle symbol, but the exercise asks for { $angle } angle.
    .contradicts-expected = the { $angle }-angle symbol
    .contradicts-found = the { $symbol }-angle symbol

## Views

views-missing = A view is missing
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = The { view-name } is asked for and is not on the sheet.
    .expected = { view-name }
    .found = not drawn

views-repeated = Two views show the same
    .basis = ISO 128-3: as few views as needed (Mem.)
    .message = The { second-view } repeats what the { first-view } shows; one of them is enough.
    .expected = one of them
    .found = both

views-surplus = A view that was not asked for
    .basis = common practice, no source
    .message = The { view-name } is not asked for.
    .expected = no { view-name }
    .found = { view-name }

views-insufficient = A shape that no view shows
    .basis = ISO 128-3, ASME Y14.3: every feature clearly shown (Mem.)
    .message = { CAPITAL($what) } shows its shape only when seen along the { direction-name }; no view on the sheet looks that way.
    .expected = a view along the { direction-name }
    .found = none
    .hidden = { CAPITAL($what) } is shown by hidden lines only; a view from the other end would show it plainly.
    .hidden-expected = visible lines
    .hidden-found = hidden lines

views-unrecognised = Lines that fit no view of the part
    .basis = common practice, no source
    .message = A group of { $count } lines, { FIXED($width) } mm wide and { FIXED($height) } mm high, fits no view of this part.
    .expected = views of this part
    .found = no view of this part

views-mirrored = A view is mirrored
    .basis = ISO 5456-2 (Mem.)
    .message = The { view-name } fits the part only as a mirror image.
    .expected = the { view-name } as the part looks
    .found = its mirror image

## Alignment

alignment-offset = Views out of line
    .basis = ISO 5456-2 (Mem.)
    .message = The { view-name } stands { FIXED($offset, 1) } mm too far { $way }: it must be in line with the front view.
    .expected = in line with the front view, within { PLAIN($allowed) } mm
    .found = { FIXED($offset, 1) } mm { $way }
    .parent = The { view-name } stands { FIXED($offset, 1) } mm too far { $way }: it must be in line with the { parent-view }, across the folding line.
    .parent-expected = in line with the { parent-view }, within { PLAIN($allowed) } mm
    .parent-found = { FIXED($offset, 1) } mm { $way }

alignment-turned = A view is turned against its neighbours
    .basis = ISO 5456-2 (Mem.)
    .message = The { view-name } shows the right side, but turned by { FIXED($degrees) }° in its plane.
    .expected = { $expected_up } up in this view
    .found = { $up } up

## Lines

lines-missing-visible = Visible lines are missing
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { $count } stretches of visible line, { FIXED($length) } mm in all, are missing in the { view-name }.
    .expected = { FIXED($length) } mm more of visible line
    .found = not drawn
    .one = A visible line, { FIXED($length, 1) } mm of it, is missing in the { view-name }.
    .one-expected = a visible line of { FIXED($length, 1) } mm
    .one-found = not drawn

lines-missing-hidden = Hidden lines are missing
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { $count } hidden lines, { FIXED($length) } mm in all, are missing in the { view-name }.
    .expected = { $count } hidden lines
    .found = none of them
    .one = One hidden line, { FIXED($length) } mm long, is missing in the { view-name }.
    .one-expected = one hidden line
    .one-found = not drawn

lines-hidden-on-pictorial = Hidden lines in the pictorial view
    .basis = ISO 5456-3 (Mem.)
    .message = The pictorial view shows { hidden-lines }; it is drawn without them.
    .expected = visible lines only
    .found = { hidden-lines }

lines-tangent-edge = A smooth transition is drawn as an edge
    .basis = ISO 128-3 (Mem.)
    .message = { $count } lines in the { view-name } mark places where two faces run smoothly into each other.
    .expected = no line at a smooth transition
    .found = { $count } lines
    .one = One line in the { view-name } marks a place where two faces run smoothly into each other.
    .one-expected = no line at a smooth transition
    .one-found = one line

lines-missing-centre = Centre marks or centre lines are missing
    .mark-heading = A circle without centre mark
    .line-heading = A round feature without centre line
    .basis = ISO 128-2, ASME Y14.2 (Mem.)
    .mark = { $count ->
        [one] One circle in the { view-name } has no centre mark.
       *[other] { $count } of the circles in the { view-name } have no centre mark.
    }
    .mark-expected = a centre mark on every circle
    .mark-found = { $count } without
    .line = { $count ->
        [one] One round feature seen from the side in the { view-name } has no centre line.
       *[other] { $count } of the round features seen from the side in the { view-name } have no centre line.
    }
    .line-expected = a centre line along every round feature
    .line-found = { $count } without

lines-extra = Lines that are no edge of the part
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { $count } lines in the { view-name }, { FIXED($length) } mm in all, correspond to no edge of the part.
    .expected = edges of the part only
    .found = { $count } lines too many
    .one = A line in the { view-name }, { FIXED($length, 1) } mm long, corresponds to no edge of the part.
    .one-expected = no line there
    .one-found = one line too many

lines-displaced = A line is a little off its place
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = A line of { FIXED($length) } mm in the { view-name } should be { FIXED($distance, 1) } mm further { $way }.
    .expected = { FIXED($distance, 1) } mm further { $way }
    .found = { FIXED($distance, 1) } mm off
    .circle = A circle of ⌀{ PLAIN($diameter) } in the { view-name } should be { FIXED($distance, 1) } mm further { $way }.
    .circle-expected = { FIXED($distance, 1) } mm further { $way }
    .circle-found = { FIXED($distance, 1) } mm off

lines-wrong-kind = Visible and hidden are taken for each other
    .basis = ISO 128-2, ASME Y14.2 (Mem.)
    .hidden = { FIXED($length) } mm of line in the { view-name } are drawn as hidden and can be seen.
    .hidden-expected = visible lines
    .hidden-found = hidden lines
    .visible = { FIXED($length) } mm of line in the { view-name } are drawn as visible and lie behind the part.
    .visible-expected = hidden lines
    .visible-found = visible lines

lines-style = Kinds of line cannot be told apart
    .basis = ISO 128-2, ASME Y14.2: wide to narrow 2:1, broken lines (Mem.)
    .solid = Hidden lines in the { view-name } are drawn without dashes: only their layer tells what they are.
    .solid-expected = broken lines for hidden edges
    .solid-found = continuous lines

## Scale

scale-stated = Stated scale and drawn scale differ
    .basis = ISO 5455 (Mem.)
    .message = The title block says { $stated }, the views are drawn at { $drawn }.
    .expected = { $drawn } stated
    .found = { $stated }
    .unreadable = The scale in the title block, “{ $stated }”, cannot be read; the views are drawn at { $drawn }.
    .unreadable-expected = { $drawn } stated
    .unreadable-found = { $stated }

scale-mixed = Principal views at different scales
    .basis = ISO 5455 (Mem.)
    .message = The { view-name } is drawn at { $scale }, the other views at { $drawn }.
    .expected = { $drawn } for all principal views
    .found = { $scale }

scale-nonstandard = Not a recommended scale
    .basis = ISO 5455 (Mem.)
    .message = { $drawn } is not a recommended scale; the nearest is { $near }.
    .expected = a recommended scale such as { $near }
    .found = { $drawn }

scale-asked = Not the scale asked for
    .basis = common practice, no source
    .message = The exercise asks for { $asked }, the views are drawn at { $drawn }.
    .expected = { $asked }
    .found = { $drawn }

scale-fill = The scale does not fit the sheet
    .basis = common practice, no source
    .larger = { $larger } would still leave { FIXED($gap) } mm between the views; { $drawn } wastes the sheet.
    .larger-expected = { $larger }
    .larger-found = { $drawn }
    .crowded = { $drawn } leaves { FIXED($gap) } mm between the views, too little for dimensions; { $smaller } would leave room.
    .crowded-expected = { $smaller }
    .crowded-found = { $drawn }

## Dimensions

dimensions-undetermined = A size or position is missing
    .position-heading = A place is not given
    .slope-heading = A slope is not given
    .radius-heading = A diameter is not given
    .mixed-heading = A size is not given
    .basis = ISO 129-1, ASME Y14.5: complete definition (Mem.)
    .position = { CAPITAL($what) } can still move along the { direction-name }: its place is not given.
    .position-expected = one more dimension along the { direction-name }, such as from { $side }
    .position-found = none
    .slope = The slope of { $what } is not given.
    .slope-expected = one more angle or length
    .slope-found = none
    .radius = The diameter of { $what } is not given.
    .radius-expected = one diameter or radius
    .radius-found = none
    .mixed = { CAPITAL($what) } can still change: a size is not given.
    .mixed-expected = one more dimension
    .mixed-found = none

dimensions-redundant = A closed chain of dimensions
    .basis = ISO 129-1, ASME Y14.5: no size twice (Mem.)
    .message = { $members } close a chain: each follows from the others. { $surplus } could go.
    .expected = an open chain
    .found = { $count } dimensions in a loop
    .drawn = { $surplus } is known from the drawing itself and need not be written.
    .drawn-expected = nothing
    .drawn-found = { $surplus }

dimensions-repeated = The same size is given twice
    .basis = ISO 129-1, ASME Y14.5: no size twice (Mem.)
    .message = The size { $text } is given twice.
    .expected = once
    .found = twice

dimensions-overall = An overall size is missing
    .basis = common practice, no source
    .message = The overall { direction-name }, { $size }, is not given.
    .expected = overall { direction-name } { $size }
    .found = not given

dimensions-value = A written value is wrong
    .basis = ISO 129-1 (Mem.)
    .message = “{ $text }” is written where the part measures { $true }.
    .expected = { $true }
    .found = { $text }

dimensions-unread = A size cannot be understood
    .basis = common practice, no source
    .message = “{ $text }” cannot be understood as a size of what it stands at; it counts for nothing.
    .expected = a size that can be read
    .found = “{ $text }”

dimensions-tolerance = A tolerance contradicts itself or its size
    .basis = ISO 286-1, ISO 14405-1, ASME Y14.5 (Mem.)
    .crossed = The tolerance of “{ $text }” leaves nothing: its upper deviation is not above the lower one.
    .crossed-expected = an upper deviation above the lower one
    .crossed-found = “{ $text }”
    .wide = The tolerance of “{ $text }” is as wide as the size itself.
    .wide-expected = a tolerance that is a part of the size
    .wide-found = “{ $text }”
    .fit = The deviations in “{ $text }” are not those of its fit.
    .fit-expected = the deviations of ISO 286, or the fit alone
    .fit-found = “{ $text }”
    .general = The general tolerance “{ $text }” says nothing of { $sizes }: so many decimals are not in it.
    .general-expected = decimals of which the general tolerance says something
    .general-found = { $sizes }
    .general-crossed = In the general tolerance “{ $text }” more decimals are less close.
    .general-crossed-expected = the closer tolerance for more decimals
    .general-crossed-found = “{ $text }”

dimensions-precision = A functional size carries no closer tolerance
    .basis = common practice, no source
    .message = The working of the part depends on { $text }; it carries neither a tolerance nor more decimals than other sizes.
    .expected = { $text } with a tolerance of its own
    .found = { $text }

dimensions-aslant = A size runs along a slant that nothing has
    .basis = common practice, no source
    .message = { $text } in the { view-name } is measured along a slant between two points; no edge runs that way. Measured { $along ->
        [across] across it is { $size }
       *[up] up it is { $size }
    }.
    .expected = { $size }, measured { $along ->
        [across] across
       *[up] up
    }
    .found = { $text } along a slant

dimensions-to-hidden = A dimension is taken from a hidden line
    .basis = ISO 129-1, ASME Y14.5 (Mem.)
    .message = The dimension { $text } in the { view-name } is taken from a hidden line.
    .expected = taken from a visible line
    .found = taken from a hidden line

dimensions-form = A size is written in another form than is usual
    .radius-heading = Full circle given by radius
    .diameter-heading = Arc given by diameter
    .sign-heading = ⌀ or R missing
    .typical-heading = “Typical” instead of a count
    .basis = ISO 129-1, ASME Y14.5: ⌀ for full circles, R for arcs, a number of alike ones (Mem.)
    .radius = The full circle { $text } in the { view-name } is given by its radius.
    .radius-expected = a diameter, ⌀
    .radius-found = a radius, { $text }
    .diameter = The arc { $text } in the { view-name } is given by a diameter.
    .diameter-expected = a radius, R
    .diameter-found = a diameter, { $text }
    .sign = { $text } in the { view-name } has no ⌀ or R before it.
    .sign-expected = ⌀ or R
    .sign-found = no sign
    .typical = “{ $text }” says that it is typical; a number, such as 4×, tells how many alike there are.
    .typical-expected = a number
    .typical-found = “typical”

dimensions-contour = A size stands where its shape is not seen
    .basis = ISO 129-1, ASME Y14.5: in the view that shows the shape most clearly (Mem.)
    .message = { $text } locates a hole in the { view-name }, which does not show it round.
    .expected = in a view where the hole is round
    .found = { $text } in the { view-name }

dimensions-datum = A location is not taken from where it matters
    .basis = common practice, no source
    .message = { $text } in the { view-name } locates a hole along the { direction-name }, but not from { $side }.
    .expected = from { $side }
    .found = from elsewhere
    .centre = { $text } in the { view-name } locates a groove by its wall; it is to be located by its centre.
    .centre-expected = from or to its centre
    .centre-found = to its wall

dimensions-decimals = Decimals or units are not those asked for
    .basis = ISO 129-1, ASME Y14.5: one unit, as many decimals as needed (Mem.)
    .message = “{ $text }” has { decimals } where { PLAIN($asked) } are asked for.
    .expected = at most { PLAIN($asked) } decimals
    .found = { decimals }
    .unit = “{ $text }” has a unit of its own; the title block gives one for all.
    .unit-expected = a number
    .unit-found = { $text }

dimensions-on-pictorial = A dimension on the pictorial view
    .basis = common practice, no source
    .message = The dimension { $text } stands on the pictorial view, which is never dimensioned.
    .expected = no dimension there
    .found = { $text }

## Placement

placement-order = A shorter dimension stands outside a longer one
    .basis = ISO 129-1, ASME Y14.5 (Mem.)
    .message = { $text } in the { view-name } stands outside { $other }, which is longer: its extension lines cross the other.
    .expected = { $text } nearer to the view than { $other }
    .found = { $text } outside

placement-spacing = Dimensions stand too near
    .basis = ASME Y14.5: 10 mm to the outline, 6 mm between rows (Mem.)
    .first = { $text } in the { view-name } stands { FIXED($distance, 1) } mm from the outline.
    .first-expected = { PLAIN($least) } mm or more
    .first-found = { FIXED($distance, 1) } mm
    .next = { $text } and { $other } in the { view-name } stand { FIXED($distance, 1) } mm apart.
    .next-expected = { PLAIN($least) } mm or more
    .next-found = { FIXED($distance, 1) } mm

placement-on-part = A dimension is laid over the view
    .basis = common practice, no source
    .message = { $text } lies over the { view-name }; there is room outside.
    .expected = outside the view
    .found = over it

placement-crossing = Dimension lines are crossed
    .basis = ISO 129-1, ASME Y14.5 (Mem.)
    .message = The dimension lines of { $text } and { $other } cross.
    .expected = no crossing
    .found = { $text } and { $other } cross
    .extension = An extension line of { $other } runs through the dimension line of { $text }.
    .extension-expected = no line through a dimension line
    .extension-found = crossed by { $other }

placement-gap = Extension lines touch the outline
    .basis = ASME Y14.5: a visible gap, about 1.5 mm (Mem.)
    .message = { $count ->
        [one] The extension lines of { $text } touch the outline.
       *[other] The extension lines of { $count } sizes, such as { $text }, touch the outline.
    }
    .expected = a gap of about 1.5 mm
    .found = no gap

placement-reading = Texts read from different sides
    .basis = ISO 129-1: from below and from the right; ASME Y14.5: from below (Mem.)
    .away = { $text } is read from above or from the left.
    .away-expected = read from below or from the right
    .away-found = turned away
    .turned = { $text } is turned, where all texts are to be read from below.
    .turned-expected = upright texts
    .turned-found = { $count } turned
    .mixed = Some upright sizes are turned and some are not, such as { $text }.
    .mixed-expected = all alike
    .mixed-found = { $count } the other way

placement-lettering = Lettering is too low or uneven
    .basis = ISO 3098: 2.5 mm; ASME Y14.2: 0.12 in (Mem.)
    .low = { $count ->
        [one] The dimension text { $text } is { FIXED($height, 1) } mm high on paper.
       *[other] { $count } dimension texts, such as { $text }, are { FIXED($height, 1) } mm high on paper.
    }
    .low-expected = { FIXED($least, 1) } mm or more
    .low-found = { FIXED($height, 1) } mm
    .uneven = Dimension texts are from { FIXED($least, 1) } to { FIXED($height, 1) } mm high; { $text } is higher than others.
    .uneven-expected = one height
    .uneven-found = { FIXED($least, 1) } to { FIXED($height, 1) } mm

placement-overlap = Texts lie over each other
    .basis = common practice, no source
    .message = The texts { $text } and { $other } lie over each other.
    .expected = texts apart
    .found = { $text } over { $other }

## Layout

layout-outside = Something is outside the drawing area
    .basis = ISO 5457 (Mem.)
    .border = { CAPITAL($what) } reaches { FIXED($reach, 1) } mm beyond the border.
    .border-expected = inside the border
    .border-found = { FIXED($reach, 1) } mm beyond
    .title = { CAPITAL($what) } lies over the title block.
    .title-expected = clear of the title block
    .title-found = over it

layout-overlap = Views overlap
    .basis = common practice, no source
    .message = The { first-view } and the { second-view } overlap or touch.
    .expected = a gap between them
    .found = none

layout-centring = The views are off centre
    .basis = common practice, no source
    .message = The group of views leaves { FIXED($left) } mm left, { FIXED($right) } mm right, { FIXED($below) } mm below and { FIXED($above) } mm above; even gaps would be { FIXED($across) } mm and { FIXED($up) } mm.
    .expected = { FIXED($across) } mm left and right, { FIXED($up) } mm above and below
    .found = { FIXED($left) }, { FIXED($right) }, { FIXED($below) } and { FIXED($above) } mm

layout-gaps = Unequal gaps
    .basis = common practice, no source
    .message = The gaps { $direction } are { $gaps } mm; even ones would be { $sum }.
    .expected = { FIXED($even) } mm each
    .found = { $gaps } mm

## Sections

section-missing = A section is missing
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = The exercise asks for { $what }; there is none.
    .expected = { $what }
    .found = none
    .elsewhere = { CAPITAL($view) } passes { FIXED($off, 1) } mm beside the point that { $what } is asked to pass.
    .elsewhere-expected = a cut through the point asked for
    .elsewhere-found = { FIXED($off, 1) } mm off
    .form = The exercise asks for { $what }; { $view } is { some-section }.
    .form-expected = { $what }
    .form-found = { some-section }
    .line = { $letter ->
        [none] A cutting line leads to no section.
       *[other] The cutting line { $letter }–{ $letter } leads to no section.
    }
    .line-expected = the section it stands for
    .line-found = none

section-cutting-line = The cutting line does not tell where the section is
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = No cutting line in another view tells where { $view } is cut.
    .expected = a cutting line with arrows in the parent view
    .found = none
    .elsewhere = { $off ->
        [0] The cutting line of { $view } lies in a view that does not show where it is cut.
       *[other] The cutting line lies { FIXED($off, 1) } mm beside the plane that { $view } shows.
    }
    .elsewhere-expected = the line where the section is cut
    .elsewhere-found = { $off ->
        [0] a line in another view
       *[other] { FIXED($off, 1) } mm off
    }
    .arrows = The arrows of the cutting line point the other way than { $view } is looked at.
    .arrows-expected = arrows that point the way one looks
    .arrows-found = the other way

section-label = Letters of a section are missing or differ
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = The cutting line has letters, the section has none over it.
    .expected = the letters of the cutting line over the section
    .found = none
    .line = { CAPITAL($view) } has letters, its cutting line has none.
    .line-expected = a letter at each end of the cutting line
    .line-found = none
    .both = With several sections on the sheet, { $view } and its cutting line need letters.
    .both-expected = letters at the line and over the section
    .both-found = none
    .ends = One end of the cutting line is lettered { $first }, the other { $last }.
    .ends-expected = the same letter at both ends
    .ends-found = { $first } and { $last }
    .differs = The cutting line is lettered { $first }, the section { $last }.
    .differs-expected = { $first }–{ $first } over the section
    .differs-found = { $last }–{ $last }
    .twice = The letter { $letter } stands for more than one thing.
    .twice-expected = a letter of its own for each
    .twice-found = { $letter } more than once

section-hatching = A cut face is not hatched, or hatching lies where nothing is cut
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { $count ->
        [one] A cut face of { $view } is not hatched.
       *[other] { $count } of { $all } cut faces of { $view } are not hatched.
    }
    .expected = all cut faces hatched
    .found = { $count ->
        [one] one bare
       *[other] { $count } bare
    }
    .surplus = { CAPITAL($view) } is hatched where nothing is cut.
    .surplus-expected = hatching on cut faces alone
    .surplus-found = { $count ->
        [one] one area too many
       *[other] { $count } areas too many
    }

section-hatch-style = Hatching that misleads
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .directions = One part is hatched in two directions.
    .directions-expected = one direction for one part
    .directions-found = two
    .spacings = One part is hatched at two spacings in { $view }.
    .spacings-expected = one spacing for one part
    .spacings-found = two
    .alike = Two parts that touch are hatched alike in { $view }.
    .alike-expected = the other way for the neighbour
    .alike-found = alike
    .outline = The hatching of { $view } lies along its outline or square to it.
    .outline-expected = 45° to the outline
    .outline-found = along it or square to it
    .dense = The hatching of { $view } is spaced { FIXED($spacing, 1) } mm.
    .dense-expected = from 1 to 10 mm
    .dense-found = { FIXED($spacing, 1) } mm

section-uncut = Hatched although it is not cut lengthwise
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { $count ->
        [one] A rib is hatched in { $view }
       *[other] { $count } ribs are hatched in { $view }
    } although the cut runs along it.
    .expected = ribs and webs left whole
    .found = hatched
    .body = { $count ->
        [one] A pin, bolt or shaft is hatched in { $view }
       *[other] { $count } pins, bolts or shafts are hatched in { $view }
    } although the cut runs along it.
    .body-expected = pins, bolts and shafts left whole
    .body-found = hatched

section-hidden = Hidden lines left in a section
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { $count ->
        [one] A hidden line is left in { $view }.
       *[other] { $count } hidden lines are left in { $view }.
    }
    .expected = visible lines alone
    .found = { $count ->
        [one] one hidden line
       *[other] { $count } hidden lines
    }

section-boundary = A line where the planes of a section change
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = The halves of { $view } are parted by a visible line.
    .expected = a centre line between the halves
    .found = a visible line
    .none = No centre line parts the halves of { $view }.
    .none-expected = a centre line between the halves
    .none-found = none
    .step = { $count ->
        [one] A step of the cutting line is drawn as an edge in { $view }.
       *[other] { $count } steps of the cutting line are drawn as edges in { $view }.
    }
    .step-expected = no line at a step
    .step-found = { $count ->
        [one] one line
       *[other] { $count } lines
    }

## Details

detail-region = A detail and its circled region do not agree
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = No circle in another view tells what { $view } enlarges.
    .expected = a circle about the region, with the letter of the detail
    .found = none
    .other = { CAPITAL($view) } shows another region than the one circled.
    .other-expected = what is circled
    .other-found = another region
    .asked = { CAPITAL($view) } does not show the place that is to be enlarged.
    .asked-expected = the place asked for
    .asked-found = another place

detail-label = The label of a detail is not complete
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = The detail has no letter.
    .expected = letter and scale beside the detail
    .found = no letter
    .scale = No scale is written beside { $view }.
    .scale-expected = letter and scale beside the detail
    .scale-found = no scale
    .parent = The circled region has no letter; its detail is { $letter }.
    .parent-expected = { $letter } at the circle
    .parent-found = none
    .differs = The circled region is lettered { $first }, its detail { $letter }.
    .differs-expected = one letter for both
    .differs-found = { $first } and { $letter }

detail-scale = The scale of a detail
    .basis = ISO 5455, ISO 128-3 (Mem.)
    .small = { CAPITAL($view) } is drawn { $drawn }, no larger than its parent view at { $parent }.
    .small-expected = larger than { $parent }
    .small-found = { $drawn }
    .stated = Beside { $view } stands { $stated }; it is drawn { $drawn }.
    .stated-expected = { $drawn }
    .stated-found = { $stated }
    .odd = { CAPITAL($view) } is drawn { $drawn }, which is no recommended scale.
    .odd-expected = a recommended scale
    .odd-found = { $drawn }

## Auxiliary views

auxiliary-missing = What was to be shown truly is nowhere
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { CAPITAL($what) } that the exercise asks for is nowhere in true shape.
    .expected = a view square to the face
    .found = none
    .along = { CAPITAL($what) } that the exercise asks for is nowhere seen as a point.
    .along-expected = a view along the edge
    .along-found = none
    .any = The exercise asks for an auxiliary view; there is none.
    .any-expected = an auxiliary view
    .any-found = none
    .length = The edge { $edge } is nowhere in true length.
    .length-expected = a view square to the edge
    .length-found = none

auxiliary-direction = An auxiliary view looked at askew
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { CAPITAL($view) } looks { FIXED($degrees, 1) }° askew at the face it is to show.
    .expected = square to the face
    .found = { FIXED($degrees, 1) }° off
    .along = { CAPITAL($view) } looks { FIXED($degrees, 1) }° askew of the edge it is to show as a point.
    .along-expected = along the edge
    .along-found = { FIXED($degrees, 1) }° off

auxiliary-fold = An auxiliary view out of line with its parent
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { CAPITAL($view) } stands { FIXED($offset, 1) } mm { $way } of where its folding line puts it beside the { parent-view }.
    .expected = in line across the folding line, within { FIXED($allowed, 1) } mm
    .found = { FIXED($offset, 1) } mm { $way }

auxiliary-chain = A secondary view begun from the wrong primary one
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { CAPITAL($view) } cannot show the face truly: the view it is folded out from shows the face { FIXED($degrees, 1) }° away from an edge.
    .expected = a primary view that shows the face as an edge
    .found = { FIXED($degrees, 1) }° off
    .along = { CAPITAL($view) } cannot show the edge as a point: the view it is folded out from shows the edge { FIXED($degrees, 1) }° away from its true length.
    .along-expected = a primary view that shows the edge in true length
    .along-found = { FIXED($degrees, 1) }° off

auxiliary-label = An auxiliary view that hangs on nothing
    .basis = ISO 128-3, ASME Y14.3 (Mem.)
    .message = { CAPITAL($view) } is neither folded out from another view nor labelled.
    .expected = in projection, or an arrow and a letter
    .found = neither
    .arrow = { CAPITAL($view) } has a letter, but no arrow with it tells from where it is seen.
    .arrow-expected = an arrow with the letter in another view
    .arrow-found = none

## Pictorial

pictorial-corner = The pictorial view shows other sides than the views do
    .basis = common practice, no source
    .message = The pictorial view shows { $drawn }; drawn beside it, and so to be shown, are { $wanted }.
    .expected = a corner that shows { $wanted }
    .found = { $drawn }

pictorial-shading = The pictorial view is not shaded
    .basis = common practice, no source
    .message = The exercise asks for a shaded pictorial view.
    .expected = shaded
    .found = lines alone

pictorial-hides = The pictorial view hides a feature
    .basis = common practice, no source
    .message = { $count ->
        [one] { CAPITAL($what) } cannot be seen in the pictorial view.
       *[other] { $count } features, first { $what }, cannot be seen in the pictorial view.
    } From the corner that shows { $corner } it would be seen, and everything else as well.
    .expected = seen from the corner that shows { $corner }
    .found = { $count ->
        [one] { $what } hidden
       *[other] { $count } features hidden
    }

## Title

title-missing = A title-block field is empty
    .basis = ISO 7200 (Mem.)
    .message = The field “{ field-name }” of the title block is empty.
    .expected = { field-name } filled in
    .found = empty

title-lettering = The title block is not in capitals
    .basis = ISO 3098, ASME Y14.2 (Mem.)
    .message = Small letters stand in the title block: { $fields }.
    .expected = capitals
    .found = small letters in { $fields }

title-name = The sheet is named otherwise than asked
    .basis = common practice, no source
    .message = The name of the sheet is { $name }; asked is “{ $asked }”.
    .expected = { $asked }
    .found = { $name }
    .unnamed = The sheet has no name; asked is “{ $asked }”.
    .unnamed-expected = { $asked }
    .unnamed-found = none

