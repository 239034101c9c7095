### Lo que exige el dibujo de una pieza, y lo que no se juzga.

## Orden de las vistas frontales

ranking-length = { PLAIN($across) } { $unit } de ancho; la medida más larga es { PLAIN($longest) } { $unit }.
ranking-shape = Muestra el { FIXED($shape) } % de la forma verdadera que muestra el mejor lado.
ranking-hidden = Frente, superior y lateral derecha traen { hidden-lines }; el mejor conjunto trae { $fewest }.
ranking-spared = Un corte ahorra { $count ->
    [one] una más
   *[other] { $count } más
}.
ranking-natural = { $stands ->
    [in-use] La pieza está como en su uso.
    [otherwise] La pieza está de otro modo que en su modelo.
   *[not-in-use] La pieza no está como en su uso.
}
worst-length = Muestra { PLAIN($across) } de ancho; el otro, { PLAIN($best) }.
worst-shape = Muestra el { FIXED($shape) } % de la forma verdadera que muestra el mejor lado.
worst-hidden = Su conjunto de vistas trae { hidden-lines }; el otro, { $best }.
worst-natural = La pieza no está como en su uso.

## Vistas necesarias

need-section = hace falta { some-section } por { $points }: { $count ->
        [one] un nivel interior se ve
       *[other] { $count } niveles interiores se ven
    } solo en líneas ocultas, y las cotas saldrían de ellas
need-auxiliary = { $oblique ->
    [yes] hace falta una vista auxiliar secundaria: una cara oblicua con forma propia no se ve en verdadera magnitud en ninguna
   *[no] hace falta una vista auxiliar: una cara inclinada con forma propia no se ve en verdadera magnitud en ninguna
}
not-cut = { $of ->
    [spoke] radio redondo de { PLAIN($thick) } { $unit } de diámetro
    [rib] nervio de { PLAIN($thick) } { $unit } de espesor
   *[body] cuerpo del conjunto
}
need-detail = hace falta un detalle en { $point }: algo ahí mide solo { $size }
need-twin = sobra: muestra las mismas líneas que la { view-name }
need-front = elegida como frente
need-front-shows = elegida como frente: muestra { $shown } en verdadera forma
need-nothing = sobra: no muestra ninguna forma que no muestre otra vista
need-shows = necesaria: muestra { $shown } en verdadera forma
need-size = necesaria: una sola vista deja fuera una medida
shown-contour = un contorno con escalones, inclinaciones o curvas
shown-round = { $count ->
    [one] una forma redonda
   *[other] { $count } formas redondas
}

## Más allá del programa, o sin entregar

beyond-assembly = las cotas se dan a las piezas de un conjunto, no al todo
beyond-free-form = la pieza tiene una cara de forma libre
beyond-inclined-cone = la pieza tiene un cono inclinado
beyond-inclined-torus = la pieza tiene un toro inclinado
beyond-aslant = la pieza está oblicua a los ejes de su modelo
scope-no-view = no hay ninguna vista principal en la lámina
scope-not-checked = la lámina todavía no se pudo comprobar
scope-one-view = solo hay una vista principal en la lámina
scope-no-dimensions-asked = el ejercicio no pide cotas
scope-no-dimension = no hay ninguna cota en la lámina
scope-no-special-asked = no se pide ninguna vista así, ni la hay
scope-no-special = { $kind ->
    [section] no hay ningún corte en la lámina
    [detail] no hay ningún detalle en la lámina
   *[auxiliary] no hay ninguna vista auxiliar en la lámina
}
scope-no-set = no es un juego de láminas
scope-no-assembly-asked = el ejercicio no pide lados ni piezas de un conjunto
scope-no-assembly = la pieza no es un conjunto
scope-parts-alone = la lámina no muestra vistas alineadas
scope-no-pictorial = no hay ninguna perspectiva en la lámina
scope-no-fields-asked = el ejercicio no pide campos del cajetín
scope-title-empty = el cajetín está vacío

## Elementos, formas, series y simetría

feature-hole-through = agujero ⌀{ $diameter }, pasante, según el eje { $axis }
feature-hole = agujero ⌀{ $diameter }, { $depth } de profundidad, según el eje { $axis }
feature-boss = saliente cilíndrico ⌀{ $diameter }, { $depth } de largo, según el eje { $axis }
feature-counterbore = caja cilíndrica ⌀{ $diameter }, { $depth } de profundidad, según el eje { $axis }
feature-countersink = avellanado ⌀{ $diameter }, { PLAIN($angle) }°, según el eje { $axis }
form-slot-through = ranura de { $length } de largo y { $size } de ancho, pasante
form-slot = ranura de { $length } de largo, { $size } de ancho y { $depth } de profundidad
form-chamfer = chaflán { $size } × 45°, { $length } de largo
form-fillet = redondeo R{ $size }
form-rounded-end = extremo redondeado R{ $size }
alike = { $kind ->
    [hole] { $count } × agujero ⌀{ $diameter }
    [boss] { $count } × saliente ⌀{ $diameter }
    [counterbore] { $count } × caja cilíndrica ⌀{ $diameter }
   *[countersink] { $count } × avellanado ⌀{ $diameter }
}
pattern-row = { $which }, en fila, cada { $pitch }
pattern-circle = { $which }, repartidos en una circunferencia ⌀{ $pitch }
pattern-alike = { $which }, iguales
symmetry-halves = las dos mitades según el eje { $axis } son simétricas
symmetry-turned = todo lo redondo gira en torno a un eje según el eje { $axis }

## Dónde están las vistas, según el diedro

stands = { $where ->
    [above] la { view-name } está encima de la vista frontal
    [below] la { view-name } está debajo de la vista frontal
    [left] la { view-name } está a la izquierda de la vista frontal
    [right] la { view-name } está a la derecha de la vista frontal
   *[apart] la { view-name } está aparte de la vista frontal
}
auxiliary-seen-from = la vista auxiliar está en el lado desde el que se mira
auxiliary-other-side = la vista auxiliar está en el otro lado

## Escalas y separaciones

scale-no-room = A { $scale } la menor separación igual es de { FIXED($gap) } mm; ninguna escala recomendada deja sitio para cotas en este papel.
scale-largest = A { $scale } la menor separación igual es de { FIXED($gap) } mm: es la mayor escala recomendada que deja sitio para cotas.
scale-other = A { $scale } la menor separación igual es de { FIXED($gap) } mm; la mayor escala recomendada que deja sitio es { $best } ({ FIXED($there) } mm).
gaps-across = horizontal: { $sum } { $unit }
gaps-up = vertical: { $sum } { $unit }
