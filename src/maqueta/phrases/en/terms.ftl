### Words of the trade. Those with a selector choose by a value of whoever uses them.

view-name = { $name } view
first-view = { $first } view
second-view = { $second } view
parent-view = { $parent } view

direction-name = { $direction }

datum-side = { $side ->
    [left] the left side
    [right] the right side
    [base] the base
    [top] the top
    [rear] the rear
   *[front] the front
}

field-name = { $field ->
    [tolerances] general tolerances
   *[other] { $field }
}

way-up = up
way-down = down
way-left = left
way-right = right

decimals = { $decimals ->
    [one] { $decimals } decimal
   *[other] { $decimals } decimals
}
hidden-lines = { $count ->
    [one] one hidden line
   *[other] { $count } hidden lines
}

## Shapes of a part, each with its article

round-shape = { $kind ->
    [hole] the ⌀{ $diameter } hole
    [boss] the ⌀{ $diameter } boss
    [counterbore] the ⌀{ $diameter } counterbore
   *[countersink] the ⌀{ $diameter } countersink
}
some-shape = { $kind ->
    [hole] the hole
    [boss] the boss
    [counterbore] the counterbore
   *[countersink] the countersink
}
some-section = { $form ->
    [full] a full section
    [half] a half section
    [offset] an offset section
    [aligned] an aligned section
    [broken-out] a broken-out section
    [removed] a removed section
    [revolved] a revolved section
   *[any] a section
}
special-name = { $kind ->
    [section] { $letter ->
        [none] the section
       *[other] section { $letter }–{ $letter }
    }
    [detail] { $letter ->
        [none] the detail
       *[other] detail { $letter }
    }
    [auxiliary] { $letter ->
        [none] the auxiliary view
       *[other] auxiliary view { $letter }
    }
   *[other] the view
}
shown-face = the face
shown-edge = the edge
shown-side = { $name ->
    [front] the front
    [rear] the back
    [top] the top
    [bottom] the underside
    [right] the right side
   *[left] the left side
}
rounding = the R{ $radius } rounding
ball = the ball R{ $radius }
cone = the cone of { PLAIN($angle) }°
oblique-face = the oblique face
sloping-face = the face sloping { PLAIN($angle) }° to the { direction-name }
face-from-side = the face { $distance } { $unit } from { $side }
contour = the contour

## Things on a sheet

the-view = the { view-name }
a-note = a note
dimension-of-view = a dimension of the { view-name }
centre-line-of-view = a centre line of the { view-name }

caption = { $field ->
    [angle] angle
   *[other] { $field }
}
