## Assemblies

assembly-part = A part of the assembly is nowhere
    .basis = common practice, no source
    .message = { $name } is shown nowhere.
    .expected = { $name } where it stands
    .found = not drawn
    .elsewhere-heading = A part stands where it does not belong
    .elsewhere = { $name } is { FIXED($distance, 1) } mm off its place; it belongs { $way }.
    .elsewhere-expected = { $name } where it stands
    .elsewhere-found = { FIXED($distance, 1) } mm off
    .strange-heading = Something that is no part of the assembly
    .strange = { $count ->
        [one] A line { FIXED($width, 0) } × { FIXED($height, 0) } mm large is no part of the assembly.
       *[other] { $count } lines, { FIXED($width, 0) } × { FIXED($height, 0) } mm large, are no part of the assembly.
    }
    .strange-expected = parts of the assembly
    .strange-found = something else

assembly-sides = One of the six sides is missing
    .basis = ISO 128-3: six principal views (Mem.)
    .message = The { view-name } of the assembly is not on the sheet; all six sides are asked for.
    .expected = { view-name }
    .found = not drawn
    .misplaced-heading = One of the six sides is misplaced
    .misplaced = The { view-name } stands { $where ->
        [above] above the front view
        [below] below the front view
        [right] right of the front view
        [left] left of the front view
       *[other] apart
    }; in { $angle } angle it does not belong there.
    .misplaced-expected = its place in { $angle } angle
    .misplaced-found = { $where ->
        [above] above
        [below] below
        [right] right
        [left] left
       *[other] apart
    }

assembly-apart = Parts are not pulled apart as they come out
    .basis = common practice, no source
    .off = { $name } is pulled { FIXED($degrees, 0) }° off the direction in which it comes out.
    .off-expected = along its direction
    .off-found = { FIXED($degrees, 0) }° off
    .overlapping = { $first } and { $second } lie over each other.
    .overlapping-expected = clear of each other
    .overlapping-found = one over the other
    .order = { $first } stands farther out than { $second }, which comes out before it.
    .order-expected = { $second } farther out
    .order-found = { $first } farther out

assembly-balloon = Balloons do not name every part once
    .basis = ISO 6433, ASME Y14.34 (Mem.)
    .missing = { $name } has no balloon.
    .missing-expected = one balloon
    .missing-found = none
    .two-numbers = { $name } has the numbers { $numbers }.
    .two-numbers-expected = one number
    .two-numbers-found = { $numbers }
    .other-part = Balloon { $number } points at { $name }; the list has { $listed } under this number.
    .other-part-expected = { $listed }
    .other-part-found = { $name }
    .one-for-two = Number { $number } points at { $names }.
    .one-for-two-expected = a number for each part
    .one-for-two-found = { $names }
    .nowhere = Balloon { $number } points at no part.
    .nowhere-expected = a part
    .nowhere-found = nothing

assembly-list = The parts list is not that of the assembly
    .basis = ISO 7573, ASME Y14.34 (Mem.)
    .missing = There is no parts list on the sheet.
    .missing-expected = a parts list
    .missing-found = none
    .row = { $name } is not in the parts list.
    .row-expected = a row for { $name }
    .row-found = none
    .surplus = “{ $name }” in the parts list is no part of the assembly.
    .surplus-expected = parts of the assembly
    .surplus-found = { $name }
    .quantity = The parts list says { $written } of { $name }; the assembly has { $count }.
    .quantity-expected = { $count }
    .quantity-found = { $written }
    .name = Number { $number } is “{ $written }” in the parts list; it is { $name }.
    .name-expected = { $name }
    .name-found = { $written }
    .material = The parts list says “{ $written }” for { $name }; it is of { $material }.
    .material-expected = { $material }
    .material-found = { $written }
    .number = { $name } has number { $written } in the parts list, and a balloon with { $number }.
    .number-expected = one number in both
    .number-found = { $written } and { $number }

reasons-assembly-part = Every part of an assembly is seen where it stands.
    .why = Who puts it together has only the drawing to know that a part exists.
    .mend = Look for the part in each view: where it is covered, its hidden lines show it.

reasons-assembly-sides = An assembly that asks for its six sides shows all six, each where the angle of projection puts it.
    .why = A side left out is a side nobody has looked at.
    .mend = Go round the front view: right, left, above, below, and the rear beyond one of them.

reasons-assembly-apart = Parts are pulled apart along the direction in which they come out, in that order, clear of each other.
    .why = The picture is read as the way to take it apart.
    .mend = Move the part along its trail until it is clear of its neighbour.

reasons-assembly-balloon = Every part has one balloon with one number, and its leader ends on that part.
    .why = The number is all that leads from the picture to the list.
    .mend = Let each leader end on the part, and give parts that are alike the same number.

reasons-assembly-list = The parts list names every part of the assembly once: number, name, quantity and material.
    .why = What is not in the list is not made, not bought and not there on the day.
    .mend = Go through the parts one by one and count those that are alike.

## Sets of sheets

list-heading = { $column ->
    [number] No.
    [quantity] Qty
    [name] Name
   *[material] Material
}
a-balloon = a balloon
the-parts-list = the parts list
sheet-without-parts = There is no line on the sheet: no part and no list was found.
set-too-many = A set has at most { $most } sheets.
sheet-shows = { $shows ->
    [six-sides] six sides
    [pulled-apart] pulled apart
    [parts-list] parts list
   *[views] views
}
uniform-units = { $value ->
    [inch] inches
   *[mm] millimetres
}
uniform-angle = { $value ->
    [first] first angle
   *[third] third angle
}
uniform-style = { $value ->
    [asme] sizes by ASME
   *[iso] sizes by ISO
}

set-missing = A sheet of the set is missing
    .basis = common practice, no source
    .message = Sheet { $number }, “{ $title }” ({ $shows }), is not there.
    .expected = “{ $title }”
    .found = not handed in

set-order = Sheets are in another order than asked
    .basis = common practice, no source
    .message = The sheets came as { $came }; asked is { $asked }.
    .expected = { $asked }
    .found = { $came }
    .twice-heading = Two sheets for one
    .twice = This is “{ $title }” again, which sheet { $number } is already.
    .twice-expected = one sheet
    .twice-found = two sheets
    .strange-heading = A sheet that was not asked for
    .strange = “{ $name }” is none of the sheets that are asked for.
    .strange-expected = a sheet of the set
    .strange-found = “{ $name }”

set-name = A sheet is not named as asked
    .basis = common practice, no source
    .message = The file is named “{ $name }”; asked is “{ $asked }”.
    .expected = { $asked }
    .found = { $name }
    .title = The sheet is titled “{ $name }”; asked is “{ $asked }”.
    .title-expected = { $asked }
    .title-found = { $name }

set-number = A sheet’s number does not fit the set
    .basis = ISO 7200, ASME Y14.1 (Mem.)
    .missing = The title block does not say which sheet of how many this is; it is { $asked }.
    .missing-expected = { $asked }
    .missing-found = none
    .alone = The sheet has the number { $written }, but not of how many: { $asked }.
    .alone-expected = { $asked }
    .alone-found = { $written }
    .contradicts = The sheet says { $written }; it is { $asked }.
    .contradicts-expected = { $asked }
    .contradicts-found = { $written }

set-uniform = A sheet differs from the others of its set
    .basis = common practice, no source
    .units = This sheet is in { $said }, the others are in { $most }.
    .units-expected = { $most }
    .units-found = { $said }
    .angle = This sheet is in { $said }, the others are in { $most }.
    .angle-expected = { $most }
    .angle-found = { $said }
    .style = This sheet has { $said }, the others have { $most }.
    .style-expected = { $most }
    .style-found = { $said }
    .decimals = Sizes have { $said } decimals here and { $most } on the other sheets.
    .decimals-expected = { $most } decimals
    .decimals-found = { $said } decimals
    .drafter = This sheet is by { $said }, the others are by { $most }.
    .drafter-expected = { $most }
    .drafter-found = { $said }

reasons-set-missing = Every sheet that is asked for is handed in.
    .why = A set with a sheet missing cannot be built from. A file that holds one page of several is the usual reason.
    .mend = Open the file before handing it in and count its pages.

reasons-set-order = Sheets come in the order of the list, one for each.
    .why = Who looks for the lever opens the third sheet.
    .mend = Put the pages in the order in which they are asked for.

reasons-set-name = Sheets are titled and files are named as the exercise says.
    .why = In a folder of three hundred files the name is all one sees.
    .mend = Copy title and name from the list.

reasons-set-number = Every title block says which sheet this is, and of how many.
    .why = Only so does a reader notice that one has been lost.
    .mend = Write the number of the sheet and of all sheets: 3 / 7.

reasons-set-uniform = Unit, standard, angle of projection and decimals are the same on all sheets of a set.
    .why = Parts that are made from one set by two people have to fit.
    .mend = Settle them on the first sheet and begin the others from it.

set-title-six-sides = { $name }, six sides
set-title-pulled-apart = { $name }, pulled apart
part-not-ready-for-set = { $name } is still being examined. Wait until it is ready.
look-size = { FIXED($value, 0) }
look-height = { FIXED($value, 1) }
look-to-border = nearest to the border: { FIXED($value, 0) } mm
look-between = between views, { $direction ->
    [up] from below
   *[across] from the left
}: { $sizes } mm
look-lettering = letters { $sizes } mm high

set-handed-in = Sheets of this set are handed in already: which sheets it has and in what order stays as it is.
set-sheet-begun = Students have begun { $titles }: it cannot be left out.
set-sizes-stay = Everyone has parts in sizes of their own already, and “{ $name }” would not fit with them. Copy the set to add it.
set-incomplete = Nothing is drawn yet on { $titles }. Nothing was handed in; your drafts are kept.
no-sheet-to-print = There is no sheet of this set to be printed yet.
page-is-none-of-the-set = It is none of the sheets that are asked for.
page-came-before = The same sheet came on an earlier page; that one was taken.
page-would-replace = Something is drawn on that sheet already. It was left as it is; bring the file in at its own bench to replace it.
