### What a part's drawing demands, and what is not judged.

## Ranking of front views

ranking-length = { PLAIN($across) } { $unit } across; the longest size is { PLAIN($longest) } { $unit }.
ranking-shape = Shows { FIXED($shape) } % as much true shape as the best side.
ranking-hidden = Front, top and right bring { hidden-lines }; the best set brings { $fewest }.
ranking-spared = A section spares { $count ->
    [one] one more
   *[other] { $count } more
}.
ranking-natural = { $stands ->
    [in-use] The part stands as it does in use.
    [otherwise] The part stands otherwise than modelled.
   *[not-in-use] The part stands not as in use.
}
worst-length = It shows { PLAIN($across) } across, the other { PLAIN($best) }.
worst-shape = It shows { FIXED($shape) } % as much true shape as the best side.
worst-hidden = Its set of views brings { hidden-lines }, the other { $best }.
worst-natural = The part does not stand as it does in use.

## Views needed

need-section = { some-section } is needed through { $points }: { $count ->
        [one] a level inside shows
       *[other] { $count } levels inside show
    } only in hidden lines, and sizes would be taken from them
need-auxiliary = { $oblique ->
    [yes] a secondary auxiliary view is needed: an oblique face with a shape of its own shows truly in none
   *[no] an auxiliary view is needed: a slanted face with a shape of its own shows truly in none
}
not-cut = { $of ->
    [spoke] round spoke, { PLAIN($thick) } { $unit } across
    [rib] rib, { PLAIN($thick) } { $unit } thick
   *[body] body of the assembly
}
need-detail = a detail is needed at { $point }: something there is only { $size } wide
need-twin = left out: it shows the same lines as the { view-name }
need-front = chosen as front
need-front-shows = chosen as front: it shows { $shown } truly
need-nothing = left out: it shows no shape that another view does not show
need-shows = needed: it shows { $shown } truly
need-size = needed: one view alone leaves a size out
shown-contour = a contour with steps, slants or curves
shown-round = { $count ->
    [one] one round feature
   *[other] { $count } round features
}

## Beyond the program, or not delivered

beyond-assembly = sizes are given to the parts of an assembly, not to the whole
beyond-free-form = the part has a free-form face
beyond-inclined-cone = the part has an inclined cone
beyond-inclined-torus = the part has an inclined torus
beyond-aslant = the part lies aslant to the axes of its model
scope-no-view = there is no principal view on the sheet
scope-not-checked = the sheet could not be checked yet
scope-one-view = there is only one principal view on the sheet
scope-no-dimensions-asked = the exercise asks for no dimensions
scope-no-dimension = there is no dimension on the sheet
scope-no-special-asked = no such view is asked for, and none is there
scope-no-special = { $kind ->
    [section] no section on the sheet
    [detail] no detail on the sheet
   *[auxiliary] no auxiliary view on the sheet
}
scope-no-set = this is no set of sheets
scope-no-assembly-asked = the exercise does not ask for an assembly’s sides or parts
scope-no-assembly = the part is no assembly
scope-parts-alone = the sheet shows no views in line
scope-no-pictorial = there is no pictorial view on the sheet
scope-no-fields-asked = the exercise asks for no title-block fields
scope-title-empty = the title block is empty

## Features, forms, patterns and symmetry

feature-hole-through = hole ⌀{ $diameter }, through, along { $axis }
feature-hole = hole ⌀{ $diameter }, { $depth } deep, along { $axis }
feature-boss = round boss ⌀{ $diameter }, { $depth } long, along { $axis }
feature-counterbore = counterbore ⌀{ $diameter }, { $depth } deep, along { $axis }
feature-countersink = countersink ⌀{ $diameter }, { PLAIN($angle) }°, along { $axis }
form-slot-through = slot { $length } long, { $size } wide, through
form-slot = slot { $length } long, { $size } wide, { $depth } deep
form-chamfer = chamfer { $size } × 45°, { $length } long
form-fillet = fillet R{ $size }
form-rounded-end = rounded end R{ $size }
alike = { $kind ->
    [hole] { $count } × hole ⌀{ $diameter }
    [boss] { $count } × boss ⌀{ $diameter }
    [counterbore] { $count } × counterbore ⌀{ $diameter }
   *[countersink] { $count } × countersink ⌀{ $diameter }
}
pattern-row = { $which }, in a row, { $pitch } apart
pattern-circle = { $which }, evenly on a circle ⌀{ $pitch }
pattern-alike = { $which }, alike
symmetry-halves = both halves along { $axis } are mirror images
symmetry-turned = everything round turns about one axis along { $axis }

## Where views stand, for the angle of projection

stands = { $where ->
    [above] the { view-name } stands above the front view
    [below] the { view-name } stands below the front view
    [left] the { view-name } stands left of the front view
    [right] the { view-name } stands right of the front view
   *[apart] the { view-name } stands apart from the front view
}
auxiliary-seen-from = the auxiliary view stands on the side it is seen from
auxiliary-other-side = the auxiliary view stands on the other side

## Scales and gaps

scale-no-room = At { $scale } the smallest even gap is { FIXED($gap) } mm; no recommended scale leaves room for dimensions on this paper.
scale-largest = At { $scale } the smallest even gap is { FIXED($gap) } mm: the largest recommended scale that leaves room for dimensions.
scale-other = At { $scale } the smallest even gap is { FIXED($gap) } mm; the largest recommended scale that leaves room is { $best } ({ FIXED($there) } mm).
gaps-across = across: { $sum } { $unit }
gaps-up = up: { $sum } { $unit }
