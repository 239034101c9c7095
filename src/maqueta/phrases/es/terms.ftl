### Palabras del oficio. Las que llevan selector eligen según un valor de quien las usa.

view-name = { $name ->
    [front] vista frontal
    [rear] vista posterior
    [top] vista superior
    [bottom] vista inferior
    [left] vista lateral izquierda
    [right] vista lateral derecha
    [auxiliary] vista auxiliar
    [section] vista en corte
    [detail] vista de detalle
    [pictorial] vista en perspectiva
   *[unrecognised] vista no reconocida
}
first-view = { $first ->
    [front] vista frontal
    [rear] vista posterior
    [top] vista superior
    [bottom] vista inferior
    [left] vista lateral izquierda
    [right] vista lateral derecha
    [auxiliary] vista auxiliar
    [section] vista en corte
    [detail] vista de detalle
    [pictorial] vista en perspectiva
   *[unrecognised] vista no reconocida
}
second-view = { $second ->
    [front] vista frontal
    [rear] vista posterior
    [top] vista superior
    [bottom] vista inferior
    [left] vista lateral izquierda
    [right] vista lateral derecha
    [auxiliary] vista auxiliar
    [section] vista en corte
    [detail] vista de detalle
    [pictorial] vista en perspectiva
   *[unrecognised] vista no reconocida
}
parent-view = { $parent ->
    [front] vista frontal
    [rear] vista posterior
    [top] vista superior
    [bottom] vista inferior
    [left] vista lateral izquierda
    [right] vista lateral derecha
    [auxiliary] vista auxiliar
    [section] vista en corte
    [detail] vista de detalle
    [pictorial] vista en perspectiva
   *[unrecognised] vista no reconocida
}

direction-name = { $direction ->
    [width] anchura
    [height] altura
   *[depth] profundidad
}

datum-side = { $side ->
    [left] el lado izquierdo
    [right] el lado derecho
    [base] la base
    [top] la cara superior
    [rear] la cara posterior
   *[front] la cara frontal
}

field-name = { $field ->
    [title] título
    [drafter] dibujante
    [date] fecha
    [scale] escala
    [material] material
    [sheet] lámina
    [paper] papel
    [checked] revisado
    [tolerances] tolerancias generales
    [revision] revisión
    [class] clase
    [number] número
    [unit] unidad
    [angle] símbolo del diedro
   *[other] { $field }
}

angle-name = { $angle ->
    [first] primer diedro
   *[third] tercer diedro
}
other-angle = { $other ->
    [first] primer diedro
   *[third] tercer diedro
}
symbol-angle = { $symbol ->
    [first] primer diedro
   *[third] tercer diedro
}

way-up = arriba
way-down = abajo
way-left = a la izquierda
way-right = a la derecha

decimals = { $decimals ->
    [one] { $decimals } decimal
   *[other] { $decimals } decimales
}
hidden-lines = { $count ->
    [one] una línea oculta
   *[other] { $count } líneas ocultas
}

## Formas de una pieza, cada una con su artículo

round-shape = { $kind ->
    [hole] el agujero ⌀{ $diameter }
    [boss] el saliente cilíndrico ⌀{ $diameter }
    [counterbore] la caja cilíndrica ⌀{ $diameter }
   *[countersink] el avellanado ⌀{ $diameter }
}
some-shape = { $kind ->
    [hole] el agujero
    [boss] el saliente cilíndrico
    [counterbore] la caja cilíndrica
   *[countersink] el avellanado
}
some-section = { $form ->
    [full] un corte total
    [half] un semicorte
    [offset] un corte por planos paralelos
    [aligned] un corte por planos concurrentes
    [broken-out] un corte parcial
    [removed] una sección desplazada
    [revolved] una sección abatida
   *[any] un corte
}
special-name = { $kind ->
    [section] { $letter ->
        [none] el corte
       *[other] el corte { $letter }–{ $letter }
    }
    [detail] { $letter ->
        [none] el detalle
       *[other] el detalle { $letter }
    }
    [auxiliary] { $letter ->
        [none] la vista auxiliar
       *[other] la vista auxiliar { $letter }
    }
   *[other] la vista
}
shown-face = la cara
shown-edge = la arista
shown-side = { $name ->
    [front] la cara frontal
    [rear] la posterior
    [top] la superior
    [bottom] la inferior
    [right] la derecha
   *[left] la izquierda
}
rounding = el redondeo R{ $radius }
ball = la esfera R{ $radius }
cone = el cono de { PLAIN($angle) }°
oblique-face = la cara oblicua
sloping-face = la cara inclinada { PLAIN($angle) }° respecto a la { direction-name }
face-from-side = la cara a { $distance } { $unit } de { $side }
contour = el contorno

## Cosas de una lámina

the-view = la { view-name }
a-note = una nota
dimension-of-view = una cota de la { view-name }
centre-line-of-view = un eje de la { view-name }

caption = { $field ->
    [title] título
    [drafter] dibujado
    [date] fecha
    [scale] escala
    [material] material
    [sheet] hoja
    [paper] formato
    [checked] revisado
    [tolerances] tolerancias
    [revision] revisión
    [class] clase
    [number] número
    [unit] unidad
    [angle] diedro
   *[other] { $field }
}
