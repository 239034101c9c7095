### Lo que encuentran las comprobaciones: por regla, su título, la norma o práctica en que se apoya («de memoria»:
### citada de memoria) y, para cada modo de incumplirla, qué ha pasado, qué se esperaba y qué hay.

## Frente

front-side = Otro lado es mejor vista frontal
    .basis = práctica común, sin fuente
    .listed = La vista frontal muestra el lado { $side }; en este ejercicio se toma { EITHER($accepted) } como frente.
    .listed-expected = vista frontal sobre { EITHER($accepted) }
    .listed-found = vista frontal sobre { $side }
    .ranked = El lado { $side } alcanza { FIXED($score) } puntos como vista frontal; { $best_side }, { FIXED($best) }. { $reason }
    .ranked-expected = vista frontal sobre { $best_side }, o a no más de { PLAIN($margin) } puntos
    .ranked-found = vista frontal sobre { $side }, { FIXED($gap) } puntos por detrás

front-turn = La vista frontal está girada
    .basis = práctica común, sin fuente
    .message = Se muestra el lado correcto, pero girado: { $up } apunta hacia arriba en la lámina y debería ser { $best_up }.
    .expected = { $best_up } hacia arriba
    .found = { $up } hacia arriba

## Diedro

angle-arrangement = Las vistas siguen el otro diedro
    .basis = ISO 5456-2, ASME Y14.3 (de memoria)
    .message = Este ejercicio pide { angle-name }: { EACH($placed) }.
    .expected = disposición en { angle-name }
    .found = disposición en { other-angle }

angle-mixed = Se mezclan el primer y el tercer diedro
    .basis = ISO 5456-2, ASME Y14.3 (de memoria)
    .message = Unas vistas siguen un diedro y otras el otro: { EACH($placed) }.
    .expected = un solo diedro en toda la lámina
    .found = { EACH($placed) }

angle-symbol = Símbolo del diedro
    .basis = ISO 5456-2 (de memoria)
    .missing = El cajetín no lleva el símbolo del diedro.
    .missing-expected = el símbolo del { angle-name }
    .missing-found = ninguno
    .contradicts = El cajetín muestra el símbolo del { symbol-angle }, pero el ejercicio pide { angle-name }.
    .contradicts-expected = el símbolo del { angle-name }
    .contradicts-found = el símbolo del { symbol-angle }

## Vistas

views-missing = Falta una vista
    .basis = ISO 128-3, ASME Y14.3 (de memoria)
    .message = Se pide la { view-name } y no está en la lámina.
    .expected = { view-name }
    .found = sin dibujar

views-repeated = Dos vistas muestran lo mismo
    .basis = ISO 128-3: las vistas necesarias y no más (de memoria)
    .message = La { second-view } repite lo que muestra la { first-view }; basta con una de las dos.
    .expected = una de ellas
    .found = las dos

views-surplus = Una vista que no se pedía
    .basis = práctica común, sin fuente
    .message = La { view-name } no se pide.
    .expected = sin { view-name }
    .found = { view-name }

views-insufficient = Una forma que ninguna vista muestra
    .basis = ISO 128-3, ASME Y14.3: cada forma se ve con claridad (de memoria)
    .message = { CAPITAL($what) } solo muestra su forma mirando en la dirección de la { direction-name }; ninguna vista de la lámina mira así.
    .expected = una vista en la dirección de la { direction-name }
    .found = ninguna
    .hidden = { CAPITAL($what) } solo se muestra con líneas ocultas; una vista desde el otro extremo lo mostraría con claridad.
    .hidden-expected = líneas vistas
    .hidden-found = líneas ocultas

views-unrecognised = Líneas que no encajan con ninguna vista de la pieza
    .basis = práctica común, sin fuente
    .message = Un grupo de { $count } líneas, de { FIXED($width) } mm de ancho y { FIXED($height) } mm de alto, no encaja con ninguna vista de esta pieza.
    .expected = vistas de esta pieza
    .found = ninguna vista de esta pieza

views-mirrored = Una vista está reflejada
    .basis = ISO 5456-2 (de memoria)
    .message = La { view-name } solo encaja con la pieza como imagen reflejada.
    .expected = la { view-name } tal como se ve la pieza
    .found = su imagen reflejada

## Alineación

alignment-offset = Vistas desalineadas
    .basis = ISO 5456-2 (de memoria)
    .message = La { view-name } está { FIXED($offset, 1) } mm demasiado { $way }: debe estar en línea con la vista frontal.
    .expected = en línea con la vista frontal, a no más de { PLAIN($allowed) } mm
    .found = { FIXED($offset, 1) } mm { $way }
    .parent = La { view-name } está { FIXED($offset, 1) } mm demasiado { $way }: debe estar en línea con la { parent-view }, a través de la línea de plegado.
    .parent-expected = en línea con la { parent-view }, a no más de { PLAIN($allowed) } mm
    .parent-found = { FIXED($offset, 1) } mm { $way }

alignment-turned = Una vista está girada respecto a sus vecinas
    .basis = ISO 5456-2 (de memoria)
    .message = La { view-name } muestra el lado correcto, pero girado { FIXED($degrees) }° en su plano.
    .expected = { $expected_up } hacia arriba en esta vista
    .found = { $up } hacia arriba

## Líneas

lines-missing-visible = Faltan líneas vistas
    .basis = ISO 128-3, ASME Y14.3 (de memoria)
    .message = Faltan { $count } tramos de línea vista, { FIXED($length) } mm en total, en la { view-name }.
    .expected = { FIXED($length) } mm más de línea vista
    .found = sin dibujar
    .one = Falta una línea vista, { FIXED($length, 1) } mm de ella, en la { view-name }.
    .one-expected = una línea vista de { FIXED($length, 1) } mm
    .one-found = sin dibujar

lines-missing-hidden = Faltan líneas ocultas
    .basis = ISO 128-3, ASME Y14.3 (de memoria)
    .message = Faltan { $count } líneas ocultas, { FIXED($length) } mm en total, en la { view-name }.
    .expected = { $count } líneas ocultas
    .found = ninguna de ellas
    .one = Falta una línea oculta, de { FIXED($length) } mm, en la { view-name }.
    .one-expected = una línea oculta
    .one-found = sin dibujar

lines-hidden-on-pictorial = Líneas ocultas en la perspectiva
    .basis = ISO 5456-3 (de memoria)
    .message = La perspectiva muestra { hidden-lines }; se dibuja sin ellas.
    .expected = solo líneas vistas
    .found = { hidden-lines }

lines-tangent-edge = Una transición suave está dibujada como arista
    .basis = ISO 128-3 (de memoria)
    .message = { $count } líneas de la { view-name } señalan lugares donde dos caras pasan suavemente una a otra.
    .expected = ninguna línea en una transición suave
    .found = { $count } líneas
    .one = Una línea de la { view-name } señala un lugar donde dos caras pasan suavemente una a otra.
    .one-expected = ninguna línea en una transición suave
    .one-found = una línea

lines-missing-centre = Faltan marcas de centro o ejes
    .mark-heading = Un círculo sin marca de centro
    .line-heading = Una forma redonda sin eje
    .basis = ISO 128-2, ASME Y14.2 (de memoria)
    .mark = { $count ->
        [one] Una circunferencia de la { view-name } no tiene marca de centro.
       *[other] { $count } de las circunferencias de la { view-name } no tienen marca de centro.
    }
    .mark-expected = una marca de centro en cada circunferencia
    .mark-found = { $count } sin ella
    .line = { $count ->
        [one] Una forma redonda vista de lado en la { view-name } no tiene eje.
       *[other] { $count } de las formas redondas vistas de lado en la { view-name } no tienen eje.
    }
    .line-expected = un eje a lo largo de cada forma redonda
    .line-found = { $count } sin él

lines-extra = Líneas que no son aristas de la pieza
    .basis = ISO 128-3, ASME Y14.3 (de memoria)
    .message = { $count } líneas de la { view-name }, { FIXED($length) } mm en total, no corresponden a ninguna arista de la pieza.
    .expected = solo aristas de la pieza
    .found = { $count } líneas de más
    .one = Una línea de la { view-name }, de { FIXED($length, 1) } mm, no corresponde a ninguna arista de la pieza.
    .one-expected = ninguna línea ahí
    .one-found = una línea de más

lines-displaced = Una línea está algo fuera de su sitio
    .basis = ISO 128-3, ASME Y14.3 (de memoria)
    .message = Una línea de { FIXED($length) } mm de la { view-name } debería estar { FIXED($distance, 1) } mm más { $way }.
    .expected = { FIXED($distance, 1) } mm más { $way }
    .found = desviada { FIXED($distance, 1) } mm
    .circle = Una circunferencia de ⌀{ PLAIN($diameter) } de la { view-name } debería estar { FIXED($distance, 1) } mm más { $way }.
    .circle-expected = { FIXED($distance, 1) } mm más { $way }
    .circle-found = desviada { FIXED($distance, 1) } mm

lines-wrong-kind = Se confunden líneas vistas y ocultas
    .basis = ISO 128-2, ASME Y14.2 (de memoria)
    .hidden = { FIXED($length) } mm de línea de la { view-name } están dibujados como ocultos y se ven.
    .hidden-expected = líneas vistas
    .hidden-found = líneas ocultas
    .visible = { FIXED($length) } mm de línea de la { view-name } están dibujados como vistos y quedan detrás de la pieza.
    .visible-expected = líneas ocultas
    .visible-found = líneas vistas

lines-style = Los tipos de línea no se distinguen
    .basis = ISO 128-2, ASME Y14.2: gruesa y fina 2:1, líneas de trazos (de memoria)
    .solid = Las líneas ocultas de la { view-name } están dibujadas sin trazos: solo su capa dice lo que son.
    .solid-expected = líneas de trazos para las aristas ocultas
    .solid-found = líneas continuas

## Escala

scale-stated = La escala indicada y la dibujada difieren
    .basis = ISO 5455 (de memoria)
    .message = El cajetín dice { $stated }; las vistas están dibujadas a { $drawn }.
    .expected = indicar { $drawn }
    .found = { $stated }
    .unreadable = La escala del cajetín, «{ $stated }», no se puede leer; las vistas están dibujadas a { $drawn }.
    .unreadable-expected = indicar { $drawn }
    .unreadable-found = { $stated }

scale-mixed = Vistas principales a distintas escalas
    .basis = ISO 5455 (de memoria)
    .message = La { view-name } está dibujada a { $scale }; las demás vistas, a { $drawn }.
    .expected = { $drawn } para todas las vistas principales
    .found = { $scale }

scale-nonstandard = No es una escala recomendada
    .basis = ISO 5455 (de memoria)
    .message = { $drawn } no es una escala recomendada; la más próxima es { $near }.
    .expected = una escala recomendada, como { $near }
    .found = { $drawn }

scale-asked = No es la escala pedida
    .basis = práctica común, sin fuente
    .message = El ejercicio pide { $asked }; las vistas están dibujadas a { $drawn }.
    .expected = { $asked }
    .found = { $drawn }

scale-fill = La escala no aprovecha bien la lámina
    .basis = práctica común, sin fuente
    .larger = { $larger } dejaría todavía { FIXED($gap) } mm entre las vistas; { $drawn } desaprovecha la lámina.
    .larger-expected = { $larger }
    .larger-found = { $drawn }
    .crowded = { $drawn } deja { FIXED($gap) } mm entre las vistas, demasiado poco para las cotas; { $smaller } dejaría sitio.
    .crowded-expected = { $smaller }
    .crowded-found = { $drawn }

## Acotación

dimensions-undetermined = Falta una medida o una posición
    .position-heading = Falta una posición
    .slope-heading = Falta una inclinación
    .radius-heading = Falta un diámetro
    .mixed-heading = Falta una medida
    .basis = ISO 129-1, ASME Y14.5: definición completa (de memoria)
    .position = { CAPITAL($what) } aún puede moverse en la dirección de la { direction-name }: su posición no está dada.
    .position-expected = una cota más en la dirección de la { direction-name }, por ejemplo desde { $side }
    .position-found = ninguna
    .slope = No está dada la inclinación de { $what }.
    .slope-expected = un ángulo o una longitud más
    .slope-found = ninguno
    .radius = No está dado el diámetro de { $what }.
    .radius-expected = un diámetro o un radio
    .radius-found = ninguno
    .mixed = { CAPITAL($what) } aún puede cambiar: falta una medida.
    .mixed-expected = una cota más
    .mixed-found = ninguna

dimensions-redundant = Una cadena cerrada de cotas
    .basis = ISO 129-1, ASME Y14.5: ninguna medida dos veces (de memoria)
    .message = { $members } cierran una cadena: cada una se deduce de las demás. { $surplus } puede quitarse.
    .expected = una cadena abierta
    .found = { $count } cotas en cadena cerrada
    .drawn = { $surplus } se conoce por el propio dibujo y no hace falta escribirla.
    .drawn-expected = nada
    .drawn-found = { $surplus }

dimensions-repeated = La misma medida está dada dos veces
    .basis = ISO 129-1, ASME Y14.5: ninguna medida dos veces (de memoria)
    .message = La medida { $text } está dada dos veces.
    .expected = una vez
    .found = dos veces

dimensions-overall = Falta una medida total
    .basis = práctica común, sin fuente
    .message = No está dada la { direction-name } total, { $size }.
    .expected = { direction-name } total { $size }
    .found = sin dar

dimensions-value = Un valor escrito es erróneo
    .basis = ISO 129-1 (de memoria)
    .message = Está escrito «{ $text }» donde la pieza mide { $true }.
    .expected = { $true }
    .found = { $text }

dimensions-unread = Una medida no se entiende
    .basis = práctica común, sin fuente
    .message = «{ $text }» no se entiende como medida de aquello junto a lo que está; no cuenta.
    .expected = una medida legible
    .found = «{ $text }»

dimensions-tolerance = Una tolerancia se contradice o contradice su medida
    .basis = ISO 286-1, ISO 14405-1, ASME Y14.5 (Mem.)
    .crossed = La tolerancia de «{ $text }» no deja nada: la desviación superior no está por encima de la inferior.
    .crossed-expected = una desviación superior por encima de la inferior
    .crossed-found = «{ $text }»
    .wide = La tolerancia de «{ $text }» es tan ancha como la propia medida.
    .wide-expected = una tolerancia que sea una parte de la medida
    .wide-found = «{ $text }»
    .fit = Las desviaciones de «{ $text }» no son las de su ajuste.
    .fit-expected = las desviaciones de ISO 286, o el ajuste solo
    .fit-found = «{ $text }»
    .general = La tolerancia general «{ $text }» no dice nada de { $sizes }: no incluye ese número de decimales.
    .general-expected = decimales de los que hable la tolerancia general
    .general-found = { $sizes }
    .general-crossed = En la tolerancia general «{ $text }» más decimales son menos exactos.
    .general-crossed-expected = la tolerancia más estrecha para más decimales
    .general-crossed-found = «{ $text }»

dimensions-precision = Una medida funcional no lleva una tolerancia más estrecha
    .basis = práctica habitual, sin fuente
    .message = Del valor { $text } depende que la pieza funcione; no lleva ni tolerancia ni más decimales que las demás medidas.
    .expected = { $text } con una tolerancia propia
    .found = { $text }

dimensions-aslant = Una cota sigue una inclinación que nada tiene
    .basis = práctica habitual, sin fuente
    .message = { $text } en { view-name } está medida en oblicuo entre dos puntos; ninguna arista va así. Medida en { $along ->
        [across] horizontal es { $size }
       *[up] vertical es { $size }
    }.
    .expected = { $size }, medida en { $along ->
        [across] horizontal
       *[up] vertical
    }
    .found = { $text } en oblicuo

dimensions-to-hidden = Una cota sale de una línea oculta
    .basis = ISO 129-1, ASME Y14.5 (de memoria)
    .message = La cota { $text } de la { view-name } sale de una línea oculta.
    .expected = desde una línea vista
    .found = desde una línea oculta

dimensions-form = Una medida está escrita de otra forma que la habitual
    .radius-heading = Círculo completo acotado por radio
    .diameter-heading = Arco acotado por diámetro
    .sign-heading = Falta ⌀ o R
    .typical-heading = «Típico» en lugar de una cantidad
    .basis = ISO 129-1, ASME Y14.5: ⌀ para circunferencias completas, R para arcos, un número para los iguales (de memoria)
    .radius = La circunferencia completa { $text } de la { view-name } está dada por su radio.
    .radius-expected = un diámetro, ⌀
    .radius-found = un radio, { $text }
    .diameter = El arco { $text } de la { view-name } está dado por un diámetro.
    .diameter-expected = un radio, R
    .diameter-found = un diámetro, { $text }
    .sign = { $text } de la { view-name } no lleva ⌀ ni R delante.
    .sign-expected = ⌀ o R
    .sign-found = sin símbolo
    .typical = «{ $text }» dice que es típico; un número, como 4×, dice cuántos iguales hay.
    .typical-expected = un número
    .typical-found = «típico»

dimensions-contour = Una medida está donde su forma no se ve
    .basis = ISO 129-1, ASME Y14.5: en la vista que muestra la forma con más claridad (de memoria)
    .message = { $text } sitúa un agujero en la { view-name }, que no lo muestra redondo.
    .expected = en una vista donde el agujero se vea redondo
    .found = { $text } en la { view-name }

dimensions-datum = Una posición no se toma desde donde importa
    .basis = práctica común, sin fuente
    .message = { $text } de la { view-name } sitúa un agujero en la dirección de la { direction-name }, pero no desde { $side }.
    .expected = desde { $side }
    .found = desde otro sitio
    .centre = { $text } de la { view-name } sitúa una ranura por su pared; debe situarse por su centro.
    .centre-expected = desde o hasta su centro
    .centre-found = hasta su pared

dimensions-decimals = Los decimales o las unidades no son los pedidos
    .basis = ISO 129-1, ASME Y14.5: una sola unidad, los decimales necesarios (de memoria)
    .message = «{ $text }» tiene { decimals } donde se piden { PLAIN($asked) }.
    .expected = { PLAIN($asked) } decimales como mucho
    .found = { decimals }
    .unit = «{ $text }» lleva su propia unidad; el cajetín da una para todas.
    .unit-expected = un número
    .unit-found = { $text }

dimensions-on-pictorial = Una cota en la perspectiva
    .basis = práctica común, sin fuente
    .message = La cota { $text } está en la perspectiva, que no se acota nunca.
    .expected = ninguna cota ahí
    .found = { $text }

## Colocación de las cotas

placement-order = Una cota más corta está por fuera de una más larga
    .basis = ISO 129-1, ASME Y14.5 (de memoria)
    .message = { $text } de la { view-name } está por fuera de { $other }, que es más larga: sus líneas auxiliares cruzan la otra.
    .expected = { $text } más cerca de la vista que { $other }
    .found = { $text } por fuera

placement-spacing = Las cotas están demasiado juntas
    .basis = ASME Y14.5: 10 mm al contorno, 6 mm entre filas (de memoria)
    .first = { $text } de la { view-name } está a { FIXED($distance, 1) } mm del contorno.
    .first-expected = { PLAIN($least) } mm o más
    .first-found = { FIXED($distance, 1) } mm
    .next = { $text } y { $other } de la { view-name } están a { FIXED($distance, 1) } mm una de otra.
    .next-expected = { PLAIN($least) } mm o más
    .next-found = { FIXED($distance, 1) } mm

placement-on-part = Una cota está puesta sobre la vista
    .basis = práctica común, sin fuente
    .message = { $text } queda sobre la { view-name }; hay sitio fuera.
    .expected = fuera de la vista
    .found = sobre ella

placement-crossing = Se cruzan líneas de cota
    .basis = ISO 129-1, ASME Y14.5 (de memoria)
    .message = Las líneas de cota de { $text } y { $other } se cruzan.
    .expected = ningún cruce
    .found = { $text } y { $other } se cruzan
    .extension = Una línea auxiliar de { $other } atraviesa la línea de cota de { $text }.
    .extension-expected = ninguna línea a través de una línea de cota
    .extension-found = cruzada por { $other }

placement-gap = Las líneas auxiliares tocan el contorno
    .basis = ASME Y14.5: una separación visible, unos 1,5 mm (de memoria)
    .message = { $count ->
        [one] Las líneas auxiliares de { $text } tocan el contorno.
       *[other] Las líneas auxiliares de { $count } medidas, como { $text }, tocan el contorno.
    }
    .expected = una separación de unos 1,5 mm
    .found = sin separación

placement-reading = Los textos se leen desde lados distintos
    .basis = ISO 129-1: desde abajo y desde la derecha; ASME Y14.5: desde abajo (de memoria)
    .away = { $text } se lee desde arriba o desde la izquierda.
    .away-expected = legible desde abajo o desde la derecha
    .away-found = vuelta del otro lado
    .turned = { $text } está girada, cuando todos los textos han de leerse desde abajo.
    .turned-expected = textos horizontales
    .turned-found = { $count } con giro
    .mixed = Unas medidas verticales están giradas y otras no, como { $text }.
    .mixed-expected = todas iguales
    .mixed-found = { $count } del otro modo

placement-lettering = La rotulación es demasiado baja o desigual
    .basis = ISO 3098: 2,5 mm; ASME Y14.2: 0,12 in (de memoria)
    .low = { $count ->
        [one] El texto de cota { $text } tiene { FIXED($height, 1) } mm de altura en el papel.
       *[other] { $count } textos de cota, como { $text }, tienen { FIXED($height, 1) } mm de altura en el papel.
    }
    .low-expected = { FIXED($least, 1) } mm o más
    .low-found = { FIXED($height, 1) } mm
    .uneven = Los textos de cota tienen entre { FIXED($least, 1) } y { FIXED($height, 1) } mm de altura; { $text } es más alto que otros.
    .uneven-expected = una sola altura
    .uneven-found = de { FIXED($least, 1) } a { FIXED($height, 1) } mm

placement-overlap = Unos textos tapan a otros
    .basis = práctica común, sin fuente
    .message = Los textos { $text } y { $other } se superponen.
    .expected = textos separados
    .found = { $text } sobre { $other }

## Disposición

layout-outside = Algo está fuera de la zona de dibujo
    .basis = ISO 5457 (de memoria)
    .border = { CAPITAL($what) } sobrepasa el recuadro { FIXED($reach, 1) } mm.
    .border-expected = dentro del recuadro
    .border-found = { FIXED($reach, 1) } mm fuera
    .title = { CAPITAL($what) } queda sobre el cajetín.
    .title-expected = apartado del cajetín
    .title-found = sobre él

layout-overlap = Hay vistas superpuestas
    .basis = práctica común, sin fuente
    .message = La { first-view } y la { second-view } se superponen o se tocan.
    .expected = una separación entre ellas
    .found = ninguna

layout-centring = Las vistas están descentradas
    .basis = práctica común, sin fuente
    .message = El conjunto de vistas deja { FIXED($left) } mm a la izquierda, { FIXED($right) } mm a la derecha, { FIXED($below) } mm abajo y { FIXED($above) } mm arriba; separaciones iguales serían { FIXED($across) } mm y { FIXED($up) } mm.
    .expected = { FIXED($across) } mm a izquierda y derecha, { FIXED($up) } mm arriba y abajo
    .found = { FIXED($left) }, { FIXED($right) }, { FIXED($below) } y { FIXED($above) } mm

layout-gaps = Separaciones desiguales
    .basis = práctica común, sin fuente
    .message = Las separaciones { $direction ->
        [across] horizontales
       *[up] verticales
    } son de { $gaps } mm; iguales serían { $sum }.
    .expected = { FIXED($even) } mm cada una
    .found = { $gaps } mm

## Cortes

section-missing = Falta un corte
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = El ejercicio pide { $what }; no hay ninguno.
    .expected = { $what }
    .found = ninguno
    .elsewhere = { CAPITAL($view) } pasa a { FIXED($off, 1) } mm del punto por el que se pide { $what }.
    .elsewhere-expected = un corte por el punto pedido
    .elsewhere-found = a { FIXED($off, 1) } mm
    .form = El ejercicio pide { $what }; { $view } es { some-section }.
    .form-expected = { $what }
    .form-found = { some-section }
    .line = { $letter ->
        [none] Una línea de corte no lleva a ningún corte.
       *[other] La línea de corte { $letter }–{ $letter } no lleva a ningún corte.
    }
    .line-expected = el corte que anuncia
    .line-found = ninguno

section-cutting-line = La línea de corte no dice dónde está el corte
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = Ninguna línea de corte en otra vista dice por dónde se corta { $view }.
    .expected = una línea de corte con flechas en la vista de origen
    .found = ninguna
    .elsewhere = { $off ->
        [0] La línea de corte de { $view } está en una vista que no muestra por dónde se corta.
       *[other] La línea de corte está a { FIXED($off, 1) } mm del plano que muestra { $view }.
    }
    .elsewhere-expected = la línea por donde se corta
    .elsewhere-found = { $off ->
        [0] una línea en otra vista
       *[other] a { FIXED($off, 1) } mm
    }
    .arrows = Las flechas de la línea de corte apuntan al revés de como se mira { $view }.
    .arrows-expected = flechas en el sentido de la mirada
    .arrows-found = al revés

section-label = Faltan letras de un corte o difieren
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = La línea de corte tiene letras; el corte no tiene ninguna encima.
    .expected = las letras de la línea de corte sobre el corte
    .found = ninguna
    .line = { CAPITAL($view) } tiene letras; su línea de corte, no.
    .line-expected = una letra en cada extremo de la línea de corte
    .line-found = ninguna
    .both = Con varios cortes en la lámina, { $view } y su línea de corte necesitan letras.
    .both-expected = letras en la línea y sobre el corte
    .both-found = ninguna
    .ends = Un extremo de la línea de corte lleva { $first }, el otro { $last }.
    .ends-expected = la misma letra en ambos extremos
    .ends-found = { $first } y { $last }
    .differs = La línea de corte lleva { $first }; el corte, { $last }.
    .differs-expected = { $first }–{ $first } sobre el corte
    .differs-found = { $last }–{ $last }
    .twice = La letra { $letter } designa más de una cosa.
    .twice-expected = una letra para cada una
    .twice-found = { $letter } más de una vez

section-hatching = Una cara cortada sin rayar, o rayado donde nada se corta
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = { $count ->
        [one] Una cara cortada de { $view } no está rayada.
       *[other] { $count } de { $all } caras cortadas de { $view } no están rayadas.
    }
    .expected = todas las caras cortadas rayadas
    .found = { $count ->
        [one] una sin rayar
       *[other] { $count } sin rayar
    }
    .surplus = Hay rayado en { $view } donde nada se corta.
    .surplus-expected = rayado solo en caras cortadas
    .surplus-found = { $count ->
        [one] una zona de más
       *[other] { $count } zonas de más
    }

section-hatch-style = Un rayado que confunde
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .directions = Una misma pieza está rayada en dos direcciones.
    .directions-expected = una dirección por pieza
    .directions-found = dos
    .spacings = Una misma pieza está rayada con dos separaciones en { $view }.
    .spacings-expected = una separación por pieza
    .spacings-found = dos
    .alike = Dos piezas que se tocan están rayadas igual en { $view }.
    .alike-expected = al revés en la vecina
    .alike-found = igual
    .outline = El rayado de { $view } va a lo largo de su contorno o perpendicular a él.
    .outline-expected = a 45° del contorno
    .outline-found = a lo largo o perpendicular
    .dense = El rayado de { $view } tiene { FIXED($spacing, 1) } mm de separación.
    .dense-expected = de 1 a 10 mm
    .dense-found = { FIXED($spacing, 1) } mm

section-uncut = Rayado aunque no se corta a lo largo
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = { $count ->
        [one] En { $view } hay un nervio rayado
       *[other] En { $view } hay { $count } nervios rayados
    } aunque el corte va a lo largo.
    .expected = nervios y almas enteros
    .found = rayados
    .body = { $count ->
        [one] En { $view } hay un pasador, perno o eje rayado
       *[other] En { $view } hay { $count } pasadores, pernos o ejes rayados
    } aunque el corte va a lo largo.
    .body-expected = pasadores, pernos y ejes enteros
    .body-found = rayados

section-hidden = Líneas ocultas en un corte
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = { $count ->
        [one] En { $view } queda una línea oculta.
       *[other] En { $view } quedan { $count } líneas ocultas.
    }
    .expected = solo líneas vistas
    .found = { $count ->
        [one] una línea oculta
       *[other] { $count } líneas ocultas
    }

section-boundary = Una línea donde cambian los planos de un corte
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = Las mitades de { $view } están separadas por una línea vista.
    .expected = un eje entre las mitades
    .found = una línea vista
    .none = Ningún eje separa las mitades de { $view }.
    .none-expected = un eje entre las mitades
    .none-found = ninguno
    .step = { $count ->
        [one] Un quiebro de la línea de corte está dibujado como arista en { $view }.
       *[other] { $count } quiebros de la línea de corte están dibujados como aristas en { $view }.
    }
    .step-expected = ninguna línea en el quiebro
    .step-found = { $count ->
        [one] una línea
       *[other] { $count } líneas
    }

## Detalles

detail-region = Un detalle y su región señalada no concuerdan
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = Ningún círculo en otra vista dice qué amplía { $view }.
    .expected = un círculo en torno a la región, con la letra del detalle
    .found = ninguno
    .other = { CAPITAL($view) } muestra otra región que la señalada.
    .other-expected = lo señalado
    .other-found = otra región
    .asked = { CAPITAL($view) } no muestra el lugar que hay que ampliar.
    .asked-expected = el lugar pedido
    .asked-found = otro lugar

detail-label = El rótulo de un detalle está incompleto
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = El detalle no tiene letra.
    .expected = letra y escala junto al detalle
    .found = sin letra
    .scale = Junto a { $view } no hay escala.
    .scale-expected = letra y escala junto al detalle
    .scale-found = sin escala
    .parent = La región señalada no tiene letra; su detalle es { $letter }.
    .parent-expected = { $letter } junto al círculo
    .parent-found = ninguna
    .differs = La región señalada lleva { $first }; su detalle, { $letter }.
    .differs-expected = una letra para ambos
    .differs-found = { $first } y { $letter }

detail-scale = La escala de un detalle
    .basis = ISO 5455, ISO 128-3 (mem.)
    .small = { CAPITAL($view) } está a { $drawn }, no mayor que su vista de origen a { $parent }.
    .small-expected = mayor que { $parent }
    .small-found = { $drawn }
    .stated = Junto a { $view } pone { $stated }; está dibujado a { $drawn }.
    .stated-expected = { $drawn }
    .stated-found = { $stated }
    .odd = { CAPITAL($view) } está a { $drawn }, que no es una escala recomendada.
    .odd-expected = una escala recomendada
    .odd-found = { $drawn }

## Vistas auxiliares

auxiliary-missing = Lo que debía verse en verdadera magnitud no está
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = { CAPITAL($what) } que pide el ejercicio no aparece en verdadera forma en ninguna vista.
    .expected = una vista perpendicular a la cara
    .found = ninguna
    .along = { CAPITAL($what) } que pide el ejercicio no se ve como punto en ninguna vista.
    .along-expected = una vista a lo largo de la arista
    .along-found = ninguna
    .any = El ejercicio pide una vista auxiliar; no hay ninguna.
    .any-expected = una vista auxiliar
    .any-found = ninguna
    .length = La arista { $edge } no aparece en verdadera longitud en ninguna vista.
    .length-expected = una vista perpendicular a la arista
    .length-found = ninguna

auxiliary-direction = Una vista auxiliar que mira torcido
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = { CAPITAL($view) } mira con { FIXED($degrees, 1) }° de desvío a la cara que debe mostrar.
    .expected = perpendicular a la cara
    .found = { FIXED($degrees, 1) }° de desvío
    .along = { CAPITAL($view) } mira con { FIXED($degrees, 1) }° de desvío a la arista que debe verse como punto.
    .along-expected = a lo largo de la arista
    .along-found = { FIXED($degrees, 1) }° de desvío

auxiliary-fold = Una vista auxiliar desalineada de su origen
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = { CAPITAL($view) } está a { FIXED($offset, 1) } mm { $way } de donde la pone su línea de abatimiento junto a la { parent-view }.
    .expected = en línea a través del abatimiento, dentro de { FIXED($allowed, 1) } mm
    .found = { FIXED($offset, 1) } mm { $way }

auxiliary-chain = Una vista secundaria que parte de una primaria errónea
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = { CAPITAL($view) } no puede mostrar la cara en verdadera forma: la vista de la que se abate muestra la cara a { FIXED($degrees, 1) }° de verse de canto.
    .expected = una vista primaria que muestre la cara de canto
    .found = a { FIXED($degrees, 1) }°
    .along = { CAPITAL($view) } no puede mostrar la arista como punto: la vista de la que se abate la muestra a { FIXED($degrees, 1) }° de su verdadera longitud.
    .along-expected = una vista primaria que muestre la arista en verdadera longitud
    .along-found = a { FIXED($degrees, 1) }°

auxiliary-label = Una vista auxiliar suelta
    .basis = ISO 128-3, ASME Y14.3 (mem.)
    .message = { CAPITAL($view) } ni se abate desde otra vista ni está rotulada.
    .expected = en proyección, o una flecha y una letra
    .found = ni una cosa ni otra
    .arrow = { CAPITAL($view) } tiene letra, pero ninguna flecha con ella dice desde dónde se mira.
    .arrow-expected = una flecha con la letra en otra vista
    .arrow-found = ninguna

## Pictorial

pictorial-corner = La perspectiva muestra otras caras que las vistas
    .basis = práctica habitual, sin fuente
    .message = La perspectiva muestra { $drawn }; junto a ella están dibujadas, y deben verse, { $wanted }.
    .expected = una esquina que muestre { $wanted }
    .found = { $drawn }

pictorial-shading = La perspectiva no está sombreada
    .basis = práctica habitual, sin fuente
    .message = El ejercicio pide una perspectiva sombreada.
    .expected = sombreada
    .found = solo líneas

pictorial-hides = La perspectiva oculta una forma
    .basis = práctica habitual, sin fuente
    .message = { $count ->
        [one] En la perspectiva no se ve { $what }.
       *[other] En la perspectiva no se ven { $count } formas, la primera { $what }.
    } Desde la esquina que muestra { $corner } se vería, y también todo lo demás.
    .expected = vista desde la esquina que muestra { $corner }
    .found = { $count ->
        [one] { $what } oculto
       *[other] { $count } formas ocultas
    }

## Cajetín

title-missing = Un campo del cajetín está vacío
    .basis = ISO 7200 (de memoria)
    .message = El campo «{ field-name }» del cajetín está vacío.
    .expected = { field-name } con su dato
    .found = vacío

title-lettering = El cajetín no está en mayúsculas
    .basis = ISO 3098, ASME Y14.2 (de memoria)
    .message = Hay minúsculas en el cajetín: { $fields }.
    .expected = mayúsculas
    .found = minúsculas en { $fields }

title-name = La lámina no se llama como se pide
    .basis = práctica común, sin fuente
    .message = El nombre de la lámina es { $name }; se pide «{ $asked }».
    .expected = { $asked }
    .found = { $name }
    .unnamed = La lámina no tiene nombre; se pide «{ $asked }».
    .unnamed-expected = { $asked }
    .unnamed-found = ninguno
