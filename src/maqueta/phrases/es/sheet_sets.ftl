## Conjuntos

assembly-part = Una pieza del conjunto no está en ninguna parte
    .basis = práctica habitual, sin fuente
    .message = { $name } no se ve en ninguna parte.
    .expected = { $name } en su sitio
    .found = sin dibujar
    .elsewhere-heading = Una pieza está donde no le corresponde
    .elsewhere = { $name } está a { FIXED($distance, 1) } mm de su sitio; va { $way }.
    .elsewhere-expected = { $name } en su sitio
    .elsewhere-found = a { FIXED($distance, 1) } mm
    .strange-heading = Algo que no es ninguna pieza del conjunto
    .strange = { $count ->
        [one] Una línea de { FIXED($width, 0) } × { FIXED($height, 0) } mm no es ninguna pieza del conjunto.
       *[other] { $count } líneas, de { FIXED($width, 0) } × { FIXED($height, 0) } mm en total, no son ninguna pieza del conjunto.
    }
    .strange-expected = piezas del conjunto
    .strange-found = otra cosa

assembly-sides = Falta uno de los seis lados
    .basis = ISO 128-3: seis vistas principales (de memoria)
    .message = En la lámina falta la { view-name } del conjunto; se piden los seis lados.
    .expected = { view-name }
    .found = sin dibujar
    .misplaced-heading = Uno de los seis lados está mal colocado
    .misplaced = La { view-name } está { $where ->
        [above] encima del alzado
        [below] debajo del alzado
        [right] a la derecha del alzado
        [left] a la izquierda del alzado
       *[other] aparte
    }; en { angle-name } no le corresponde ese sitio.
    .misplaced-expected = su sitio en { angle-name }
    .misplaced-found = { $where ->
        [above] encima
        [below] debajo
        [right] a la derecha
        [left] a la izquierda
       *[other] aparte
    }

assembly-apart = Las piezas no se separan como se desmontan
    .basis = práctica habitual, sin fuente
    .off = { $name } se separa { FIXED($degrees, 0) }° fuera de la dirección en que sale.
    .off-expected = según su dirección
    .off-found = { FIXED($degrees, 0) }° fuera
    .overlapping = { $first } y { $second } se tapan.
    .overlapping-expected = separadas
    .overlapping-found = una sobre otra
    .order = { $first } está más afuera que { $second }, que sale antes.
    .order-expected = { $second } más afuera
    .order-found = { $first } más afuera

assembly-balloon = Los globos no nombran cada pieza una vez
    .basis = ISO 6433, ASME Y14.34 (de memoria)
    .missing = { $name } no tiene globo.
    .missing-expected = un globo
    .missing-found = ninguno
    .two-numbers = { $name } tiene los números { $numbers }.
    .two-numbers-expected = un número
    .two-numbers-found = { $numbers }
    .other-part = El globo { $number } señala { $name }; la lista tiene { $listed } con ese número.
    .other-part-expected = { $listed }
    .other-part-found = { $name }
    .one-for-two = El número { $number } señala { $names }.
    .one-for-two-expected = un número para cada pieza
    .one-for-two-found = { $names }
    .nowhere = El globo { $number } no señala ninguna pieza.
    .nowhere-expected = una pieza
    .nowhere-found = nada

assembly-list = La lista de piezas no es la del conjunto
    .basis = ISO 7573, ASME Y14.34 (de memoria)
    .missing = No hay lista de piezas en la lámina.
    .missing-expected = una lista de piezas
    .missing-found = ninguna
    .row = { $name } no está en la lista de piezas.
    .row-expected = una fila para { $name }
    .row-found = ninguna
    .surplus = «{ $name }», en la lista de piezas, no es ninguna pieza del conjunto.
    .surplus-expected = piezas del conjunto
    .surplus-found = { $name }
    .quantity = La lista de piezas dice { $written } de { $name }; el conjunto tiene { $count }.
    .quantity-expected = { $count }
    .quantity-found = { $written }
    .name = El número { $number } es «{ $written }» en la lista de piezas; es { $name }.
    .name-expected = { $name }
    .name-found = { $written }
    .material = La lista de piezas dice «{ $written }» para { $name }; es de { $material }.
    .material-expected = { $material }
    .material-found = { $written }
    .number = { $name } tiene el número { $written } en la lista de piezas, y un globo con el { $number }.
    .number-expected = un mismo número en ambos
    .number-found = { $written } y { $number }

reasons-assembly-part = Cada pieza de un conjunto se ve en su sitio.
    .why = Quien lo monta solo sabe por el dibujo que la pieza existe.
    .mend = Busque la pieza en cada vista: donde algo la tapa, la muestran sus líneas ocultas.

reasons-assembly-sides = Un conjunto del que se piden los seis lados los muestra todos, cada uno donde lo pone el diedro.
    .why = Un lado que falta es un lado que nadie ha mirado.
    .mend = Dé la vuelta al alzado: derecha, izquierda, arriba, abajo, y el posterior más allá de uno de ellos.

reasons-assembly-apart = Las piezas se separan según la dirección en que salen, en ese orden y sin taparse.
    .why = El dibujo se lee como la manera de desmontarlo.
    .mend = Mueva la pieza por su recorrido hasta que quede libre de su vecina.

reasons-assembly-balloon = Cada pieza tiene un globo con un número, y su línea de referencia termina en ella.
    .why = El número es lo único que lleva del dibujo a la lista.
    .mend = Haga terminar cada línea de referencia en la pieza y dé el mismo número a las que son iguales.

reasons-assembly-list = La lista de piezas nombra cada pieza del conjunto una vez: número, nombre, cantidad y material.
    .why = Lo que no está en la lista ni se hace ni se compra, y el día que hace falta no está.
    .mend = Recorra las piezas una a una y cuente las que son iguales.

## Juegos de láminas

list-heading = { $column ->
    [number] N.º
    [quantity] Cant.
    [name] Denominación
   *[material] Material
}
a-balloon = un globo
the-parts-list = la lista de piezas
sheet-without-parts = No hay ninguna línea en la lámina: no se encontró ninguna pieza ni ninguna lista.
set-too-many = Un juego tiene como máximo { $most } láminas.
sheet-shows = { $shows ->
    [six-sides] seis lados
    [pulled-apart] piezas separadas
    [parts-list] lista de piezas
   *[views] vistas
}
uniform-units = { $value ->
    [inch] pulgadas
   *[mm] milímetros
}
uniform-angle = { $value ->
    [first] primer diedro
   *[third] tercer diedro
}
uniform-style = { $value ->
    [asme] las cotas según ASME
   *[iso] las cotas según ISO
}

set-missing = Falta una lámina del juego
    .basis = práctica habitual, sin fuente
    .message = Falta la lámina { $number }, «{ $title }» ({ $shows }).
    .expected = «{ $title }»
    .found = sin entregar

set-order = Las láminas están en otro orden que el pedido
    .basis = práctica habitual, sin fuente
    .message = Las láminas vinieron como { $came }; se pide { $asked }.
    .expected = { $asked }
    .found = { $came }
    .twice-heading = Dos láminas en lugar de una
    .twice = Esto es otra vez «{ $title }», que ya es la lámina { $number }.
    .twice-expected = una lámina
    .twice-found = dos láminas
    .strange-heading = Una lámina que no se pide
    .strange = «{ $name }» no es ninguna de las láminas que se piden.
    .strange-expected = una lámina del juego
    .strange-found = «{ $name }»

set-name = Una lámina no se llama como se pide
    .basis = práctica habitual, sin fuente
    .message = El archivo se llama «{ $name }»; se pide «{ $asked }».
    .expected = { $asked }
    .found = { $name }
    .title = La lámina se titula «{ $name }»; se pide «{ $asked }».
    .title-expected = { $asked }
    .title-found = { $name }

set-number = El número de una lámina no encaja en el juego
    .basis = ISO 7200, ASME Y14.1 (de memoria)
    .missing = El cajetín no dice qué lámina es y de cuántas; es { $asked }.
    .missing-expected = { $asked }
    .missing-found = ninguno
    .alone = La lámina lleva el número { $written }, pero no de cuántas: { $asked }.
    .alone-expected = { $asked }
    .alone-found = { $written }
    .contradicts = La lámina dice { $written }; es { $asked }.
    .contradicts-expected = { $asked }
    .contradicts-found = { $written }

set-uniform = Una lámina difiere de las demás de su juego
    .basis = práctica habitual, sin fuente
    .units = Esta lámina está en { $said }, las demás en { $most }.
    .units-expected = { $most }
    .units-found = { $said }
    .angle = Esta lámina está en { $said }, las demás en { $most }.
    .angle-expected = { $most }
    .angle-found = { $said }
    .style = Esta lámina tiene { $said }, las demás { $most }.
    .style-expected = { $most }
    .style-found = { $said }
    .decimals = Las cotas tienen aquí { $said } decimales y en las demás láminas { $most }.
    .decimals-expected = { $most } decimales
    .decimals-found = { $said } decimales
    .drafter = Esta lámina es de { $said }, las demás de { $most }.
    .drafter-expected = { $most }
    .drafter-found = { $said }

reasons-set-missing = Se entregan todas las láminas que se piden.
    .why = Con un juego al que le falta una lámina no se puede construir. Lo más frecuente es un archivo con una sola de sus páginas.
    .mend = Abra el archivo antes de entregarlo y cuente sus páginas.

reasons-set-order = Las láminas vienen en el orden de la lista, una de cada.
    .why = Quien busca la palanca abre la tercera lámina.
    .mend = Ponga las páginas en el orden en que se piden.

reasons-set-name = Las láminas se titulan y los archivos se llaman como dice el ejercicio.
    .why = En una carpeta de trescientos archivos solo se ve el nombre.
    .mend = Copie el título y el nombre de la lista.

reasons-set-number = Cada cajetín dice qué lámina es, y de cuántas.
    .why = Solo así se nota que una se ha perdido.
    .mend = Escriba el número de la lámina y el de todas: 3 / 7.

reasons-set-uniform = Unidad, norma, diedro y decimales son los mismos en todas las láminas de un juego.
    .why = Las piezas que dos personas hacen con un mismo juego tienen que encajar.
    .mend = Fíjelos en la primera lámina y empiece las demás a partir de ella.

set-title-six-sides = { $name }, seis caras
set-title-pulled-apart = { $name }, despiece
part-not-ready-for-set = { $name } todavía se está examinando. Espere a que esté lista.
look-size = { FIXED($value, 0) }
look-height = { FIXED($value, 1) }
look-to-border = lo más cercano al borde: { FIXED($value, 0) } mm
look-between = entre vistas, { $direction ->
    [up] desde abajo
   *[across] desde la izquierda
}: { $sizes } mm
look-lettering = letras de { $sizes } mm de alto

set-handed-in = Ya hay láminas entregadas de este juego: sus láminas y su orden quedan como están.
set-sheet-begun = Hay estudiantes que ya empezaron { $titles }: no se puede quitar.
set-sizes-stay = Cada cual tiene ya piezas con medidas propias, y «{ $name }» no encajaría con ellas. Copia el juego para añadirla.
set-incomplete = Todavía no hay nada dibujado en { $titles }. No se ha entregado nada; sus borradores se conservan.
no-sheet-to-print = Todavía no hay ninguna lámina de este juego que imprimir.
page-is-none-of-the-set = No es ninguna de las láminas que se piden.
page-came-before = La misma lámina vino en una página anterior; se tomó aquella.
page-would-replace = Ya hay algo dibujado en esa lámina. Se ha dejado como está; traiga el archivo en su propia mesa de dibujo para sustituirla.
