### Qué falla en unos datos que no son válidos.

value-at = { $where }: { $what }
value-missing = esto falta
value-unknown = no se conoce nada con este nombre
value-not-above = debería ser más de { PLAIN($bound) }
value-below = debería ser { PLAIN($bound) } o más
value-not-below = debería ser menos de { PLAIN($bound) }
value-above = debería ser { PLAIN($bound) } o menos
value-not-finite = debería ser un número finito
value-no-number = debería ser un número
value-too-short = debería tener { $bound ->
        [one] un carácter
       *[other] { $bound } caracteres
    } o más
value-too-long = debería tener { $bound ->
        [one] un carácter
       *[other] { $bound } caracteres
    } o menos
values-too-few = debería haber { $bound } o más
values-too-many = debería haber { $bound } o menos
value-not-offered = no es nada de lo que se puede elegir aquí
value-not-of-this-form = no está escrito como se espera aquí

## Láminas

frame-without-size = un recuadro mide más que nada de ancho y de alto
too-many-drafted-lines = una lámina tiene como mucho { $most } líneas trazadas
too-many-points = las curvas de una lámina tienen como mucho { $most } puntos
same-id-twice = { $thing ->
        [view] dos vistas tienen la misma clave
        [dimension] dos cotas tienen la misma clave
        [mark] dos marcas tienen la misma clave
        [cutting-line] dos líneas de corte tienen el mismo id
        [circled-region] dos regiones señaladas tienen el mismo id
        [sight-arrow] dos flechas tienen el mismo id
        [balloon] dos globos tienen el mismo id
        [trail] dos recorridos tienen el mismo id
       *[note] dos notas tienen la misma clave
    }
view-not-on-sheet = «{ $id }» pertenece a una vista «{ $view }» que no está en la lámina
parent-not-on-sheet = «{ $id }» se abate desde una vista «{ $view }» que no está en la lámina
parent-cannot-unfold = «{ $id }» se abate desde «{ $view }», de la que no se puede abatir ninguna vista
view-from-itself = «{ $id }» se abate desde sí misma
frame-not-square = un sistema tiene tres filas de longitud 1, perpendiculares entre sí y a derechas
unrecognised-with-look = una vista no reconocida tiene líneas y ninguna dirección de mirada
component-of-another-kind = solo las vistas en perspectiva muestran un componente
too-many-views = una lámina tiene como máximo { $most } vistas
no-assembly-to-show = la pieza no es un conjunto: no hay piezas que separar ni que listar
component-unknown = el conjunto no tiene el componente «{ $name }»
look-of-another-kind = { $kind ->
        [principal] las vistas principales miran según un lado y otro de arriba
        [auxiliary] las vistas auxiliares miran según un sistema
        [section] los cortes miran según un sistema de ejes
        [detail] los detalles miran según un sistema de ejes
       *[pictorial] las vistas en perspectiva miran desde una esquina
    }
cut-of-another-kind = { $kind ->
        [section] un corte tiene un plano de corte y ninguna región
        [detail] un detalle tiene una región
       *[other] solo los cortes tienen plano de corte y solo los detalles una región
    }
cut-corners = una línea de corte de la forma «{ $form }» tiene de { $least } a { $most } vértices
cut-across-not-square = la dirección desde la que se ve una línea de corte tiene longitud 1 y es perpendicular a la de quien mira
hatched-by-program = solo una vista trazada a mano tiene zonas rayadas a mano
shown-one-direction = lo que muestra una vista auxiliar se indica con una normal o con una dirección a lo largo de aristas
direction-without-length = una dirección tiene longitud
arrow-without-way = una flecha apunta a alguna parte
clip-without-size = la región de un detalle tiene un radio, o un contorno de tres vértices y más que no se cruza
shading-of-drawn-views = solo se sombrea una perspectiva dibujada por el programa
pictorial-with-parent = una vista en perspectiva no se abate desde ninguna otra

## Ejercicios

views-left-without-third = solo se dejan vistas por trazar donde hay que completar una tercera vista
lines-changed-without-faults = solo se cambian líneas donde hay que encontrar las que faltan o están mal
lines-only-removed = donde hay que añadir las líneas que faltan, solo se quitan líneas
part-hidden-without-views = la pieza solo se puede ocultar donde se dan vistas
scale-as-ratio = escriba la escala como 1:2 o 2:1
view-asked-twice = cada vista se pide una sola vez
form-field-twice = «{ field-name }» tiene dos lugares en el formato de lámina
form-of-other-paper = el formato de lámina es para { $paper }, la lámina es otro papel
form-without-field = el formato de lámina no tiene lugar para «{ field-name }», que pide el ejercicio
no-title-field = «{ $field }» no es ningún campo del cajetín
view-not-asked-for = { the-view } no está entre las vistas pedidas
no-view-given = hay que dar al menos una vista
no-special-view-asked = indique qué corte, detalle o vista auxiliar queda por trazar
no-special-view-left = no queda nada por trazar: las vistas dadas ya lo muestran, o la pieza no tiene nada así
no-line-to-change = { the-view } no tiene ninguna línea en { PLAIN($x) }; { PLAIN($y) } que cambiar
lines-fit-no-view = estas líneas no encajan en { the-view }

## Personas y días

password-too-plain = una contraseña necesita al menos cuatro caracteres distintos
beyond-end-of-time = esto queda más allá del fin de los tiempos
day-out-of-range = indique un día de este siglo o del próximo
