### Cada regla por sí: qué pide, por qué le importa al taller, cómo corregirlo en el tablero.

reasons-front-side = El frente muestra el lado que más dice de la pieza: largo a lo ancho de la lámina, mucha forma, pocas líneas ocultas en todo el juego de vistas, en la posición de uso.
    .why = Todo lo demás de la lámina depende de ella. Con un mal frente el taller gira la lámina en la cabeza y lee medidas en líneas ocultas.
    .mend = En la etapa Frente, gira la pieza, compara dos o tres lados y toma el que traiga menos líneas ocultas en las tres vistas.

reasons-front-turn = El frente está como la pieza en uso, con su medida más larga a lo ancho de la lámina.
    .why = Una pieza dibujada cabeza abajo se monta cabeza abajo. Lo tendido cabe además mejor en papel apaisado.
    .mend = Gira el frente en su sitio antes de desplegar otra vista; las ya desplegadas la siguen si las empiezas de nuevo.

reasons-angle-arrangement = Las vistas están donde las pone el ángulo de proyección del ejercicio: en tercer ángulo la superior arriba, en primer ángulo debajo del frente.
    .why = Un taller que lee las vistas con el otro ángulo hace la pieza como su imagen en espejo.
    .mend = Lleva cada vista al otro lado del frente, o pide las vistas con el ángulo del ejercicio.

reasons-angle-mixed = Todas las vistas de una lámina siguen un solo ángulo de proyección.
    .why = Ya nadie sabe qué lado muestra una vista; alguna se leerá desde el lado equivocado.
    .mend = Busca la vista que está en el lado del otro ángulo y pásala al otro lado del frente.

reasons-angle-symbol = El cajetín dice el ángulo de proyección con su símbolo o con palabras, y es el que siguen las vistas.
    .why = La lámina sale del centro. Quien la abra en otro lugar sabe solo lo que dice.
    .mend = En la etapa Cajetín elige primero o tercero; el símbolo se dibuja.

reasons-views-missing = Cada vista pedida está en la lámina.
    .why = Lo que solo muestra esa vista no se puede hacer, y sus medidas no tienen dónde ir.
    .mend = En la etapa Vistas despliega la vista que falta desde el frente.

reasons-views-repeated = Ninguna vista muestra las mismas líneas que otra.
    .why = Dos vistas iguales cuestan papel y tiempo y hacen buscar una diferencia que no existe. Una pieza redonda necesita dos vistas.
    .mend = Quita una de las dos; deja la que lleva las cotas.

reasons-views-surplus = Solo se dibujan las vistas pedidas.
    .why = Cada vista de más es otra que hay que mantener bien cuando la pieza cambia.
    .mend = Quita la vista, salvo que muestre algo que ninguna otra muestra.

reasons-views-insufficient = Cada forma se ve con su contorno propio en alguna vista, con líneas visibles.
    .why = Una ranura vista solo de lado puede ser redonda, cuadrada o inclinada: el taller adivina.
    .mend = Añade la vista que mira de frente la forma, o elige el frente de modo que una de las tres lo haga.

reasons-views-unrecognised = Cada grupo de líneas es una vista de la pieza.
    .why = Las líneas que no son de ninguna vista se leen como parte de la más cercana.
    .mend = Compara el grupo con la pieza en la mesa giratoria: a menudo se dibujó de memoria, a otra escala, o se juntaron líneas de dos vistas.

reasons-views-mirrored = Ninguna vista es la imagen en espejo de lo que se ve.
    .why = Una vista en espejo es otra pieza: el agujero acaba en el otro lado.
    .mend = Mira la pieza desde ese lado y di qué extremo queda a la izquierda; luego da la vuelta a la vista.

reasons-alignment-offset = Las vistas vecinas están exactamente alineadas, de modo que cada punto se pueda llevar de una a otra.
    .why = El ojo sigue una línea de vista en vista. Desalineadas, una forma que es una parece dos.
    .mend = Arrastra la vista hasta que quede alineada, o muévela con las flechas; la separación es libre.

reasons-alignment-turned = Una vista se despliega desde el frente y no se gira en su propio plano.
    .why = El lado correcto con el giro equivocado pone la base donde va la parte superior.
    .mend = Gira la vista en su sitio hasta que sus aristas continúen las de la vecina.

reasons-lines-missing-visible = Cada arista que se ve desde un lado se dibuja en esa vista como línea visible, en toda su longitud.
    .why = Una línea que falta une dos caras en una: un escalón no se hace.
    .mend = Recorre la pieza en la mesa giratoria arista por arista y lleva cada una a la vista.

reasons-lines-missing-hidden = Las aristas que quedan detrás se dibujan con líneas ocultas donde una vista las necesita.
    .why = Sin ellas nadie sabe si un agujero es pasante o si hay una cavidad en el otro lado.
    .mend = Elige la vista y enciende sus líneas ocultas para ver si aparece alguna; al dibujar a mano, lanza líneas desde la vista que muestra la forma.

reasons-lines-hidden-on-pictorial = La perspectiva muestra solo lo que se ve.
    .why = Está para entenderse de un vistazo; las líneas ocultas lo impiden.
    .mend = Elige la perspectiva y apaga sus líneas ocultas.

reasons-lines-tangent-edge = Donde dos caras pasan suavemente una a otra no hay línea.
    .why = Una línea ahí se lee como arista, y una arista se limará.
    .mend = Apaga las transiciones suaves, o borra la línea donde empieza el redondeo.

reasons-lines-missing-centre = Los círculos llevan marca de centro; las formas redondas vistas de lado y los ejes de simetría llevan un eje que sobresale un poco del contorno.
    .why = Los agujeros se trazan y taladran desde su centro. De esas líneas parten además las cotas.
    .mend = En la etapa Líneas pide las marcas y ejes que faltan, o señala cada círculo.

reasons-lines-extra = Cada línea de una vista es una arista de la pieza.
    .why = Una línea de más es un escalón, una ranura o una junta que no existe, y alguien pregunta o la hace.
    .mend = Busca en la mesa giratoria la arista de esa línea; si no la hay, bórrala.

reasons-lines-displaced = Cada línea está donde está su arista, al ancho de una pluma.
    .why = Se calca y se toman medidas con compás: lo que está corrido un milímetro se hace así.
    .mend = Lanza una línea desde la vista donde la arista es segura y mueve la línea sobre ella.

reasons-lines-wrong-kind = Las aristas que se ven se dibujan continuas, las de detrás a trazos; donde coinciden gana la visible.
    .why = Continua significa: aquí puedes poner el dedo. A trazos: está dentro o detrás.
    .mend = Pregunta de cada línea si su arista se puede tocar desde ese lado y dibújala con su pluma.

reasons-lines-style = Líneas anchas para lo que se ve, estrechas para el resto, trazos que sean trazos: dos anchos, uno el doble del otro.
    .why = Impresas más pequeñas o fotocopiadas, las clases que difieren poco se vuelven iguales.
    .mend = Da a los contornos la pluma ancha y haz trazos y huecos más largos que el ancho de la línea.

reasons-scale-stated = La escala del cajetín es la de las vistas.
    .why = Quien pone una regla sobre el papel se fía de ella.
    .mend = Escribe la escala que tiene el dibujo, o dibuja a la escala escrita.

reasons-scale-mixed = Todas las vistas principales de una lámina tienen una escala.
    .why = A escalas distintas nada se puede llevar de una a otra, y una vista parece otra pieza.
    .mend = Pon la escala de todas a la vez en la etapa Vistas; los detalles ampliados llevan la suya junto a su letra.

reasons-scale-nonstandard = Una de las escalas recomendadas: 1:1, 1:2, 1:5, 1:10 … y 2:1, 5:1, 10:1 …
    .why = Para estas hay reglas y costumbre. A 1:2,3 cada mirada al papel es un cálculo.
    .mend = Toma la escala recomendada más cercana que deje sitio a las cotas.

reasons-scale-asked = La escala que pide el ejercicio.
    .why = Las láminas de un juego se ponen una junto a otra; eso funciona a una escala.
    .mend = Pon la escala del ejercicio en la etapa Vistas y coloca de nuevo las vistas.

reasons-scale-fill = Tan grande como para leer bien, tan pequeña como para dejar sitio a las cotas.
    .why = Demasiado pequeña esconde detalles y amontona medidas; demasiado grande empuja las cotas sobre las vistas.
    .mend = Prueba la siguiente escala recomendada, mira las separaciones y toma la mayor que las deje.

reasons-dimensions-undetermined = De la lámina se puede saber todo de la pieza: cada medida y cada posición.
    .why = Lo que falta se mide en el papel, se pregunta por teléfono o se adivina.
    .mend = Deja que el ojo del lector mueva lo que queda libre; da una medida más en esa dirección, desde un borde que importe.

reasons-dimensions-redundant = Ninguna medida se deduce de otras: el último tramo de una fila se deja para restar.
    .why = Cada medida se hace con su pequeño error. Si se dan todas las de una cadena, una contradirá a las demás.
    .mend = Quita de la cadena la medida que menos importe; las totales se quedan.

reasons-dimensions-repeated = Cada medida se da una vez en la lámina.
    .why = Cuando la pieza cambia, una de las dos se olvida, y hay dos verdades.
    .mend = Déjala en la vista que muestra su forma y quita la otra.

reasons-dimensions-overall = La anchura, la altura y la profundidad totales están en cada lámina.
    .why = Dicen qué trozo de material tomar, antes de leer nada más.
    .mend = Da las tres primero, por fuera de todas las filas.

reasons-dimensions-value = El valor escrito es la medida verdadera de la pieza, sea cual sea la escala del papel.
    .why = El valor es lo que se hace. El dibujo solo dice dónde.
    .mend = Deja que el valor venga de la pieza: quita el escrito y queda el medido.

reasons-dimensions-unread = Una medida se escribe de modo que se entienda: un número, con ⌀, R, M o una profundidad donde corresponda.
    .why = Lo que un lector no entiende, lo pregunta o lo pasa por alto.
    .mend = Escribe solo el número y añade luego lo necesario, como lo escribe tu norma.

reasons-dimensions-aslant = Las medidas van horizontales, verticales o por una inclinación que la pieza de verdad tiene.
    .why = Entre dos esquinas que no están a nivel, la longitud inclinada no es medida de nada.
    .mend = Elige horizontal o vertical para la cota, o tómala de la propia arista.

reasons-dimensions-to-hidden = Las cotas se toman de líneas que se ven.
    .why = Una línea oculta está detrás de algo; nadie puede apoyar ahí un calibre, y se confunde fácilmente.
    .mend = Da la medida en la vista donde la forma se ve, o corta la pieza.

reasons-dimensions-form = Círculos completos con ⌀, arcos con R, los iguales con su cantidad.
    .why = Brocas y piezas torneadas se miden por el diámetro, los redondeos con galgas de radio; «típico» deja abierto cuántos.
    .mend = Cambia la clase de cota; escribe 4× delante de una medida que comparten cuatro formas.

reasons-dimensions-contour = Una medida está en la vista donde su forma se ve en el contorno.
    .why = Ahí ya está el ojo: medida y forma se leen juntas.
    .mend = Lleva la cota a la vista que muestra el escalón o el círculo, no la cara lisa.

reasons-dimensions-datum = Las posiciones se toman del borde o centro que importa para la función.
    .why = De dónde parte una cota dice qué ha de ser exacto. Otro comienzo suma otro error.
    .mend = Empieza la cota en el lado que nombra el ejercicio y toma de él también las demás.

reasons-dimensions-decimals = Una unidad y un número de decimales; más solo donde importa.
    .why = Un decimal de más se lee como una exigencia mayor, y se paga.
    .mend = Pon los decimales de toda la lámina; da a una medida funcional los suyos.

reasons-dimensions-tolerance = Una tolerancia concuerda con su medida y con la tolerancia general del cajetín.
    .why = Límites cruzados no se pueden hacer; dos tolerancias para una medida las decide el azar.
    .mend = Escribe el límite mayor sobre el menor, o quita la tolerancia y deja valer la general.

reasons-dimensions-precision = Una medida que el ejercicio llama funcional lleva una tolerancia más estrecha o más decimales que el resto.
    .why = Es lo que hace que la pieza ajuste. Todo lo demás puede ser más barato.
    .mend = Elige la medida y dale una tolerancia o un ajuste.

reasons-dimensions-on-pictorial = La perspectiva no lleva cotas.
    .why = Sus longitudes están acortadas, y las medidas ya están en las vistas.
    .mend = Quita la cota y dala en la vista que la muestra en verdadera magnitud.

reasons-placement-order = Las cotas cortas van dentro, las largas fuera.
    .why = Si no, las líneas auxiliares cruzan las de cota, y el ojo pierde cuál es de cuál.
    .mend = Arrastra la larga una fila hacia fuera, o deja igualar las filas.

reasons-placement-spacing = La primera fila está a 10 mm del contorno, las siguientes a 6 mm o más, todas iguales.
    .why = Las cifras necesitan aire; una línea de cota cerca del contorno se toma por arista.
    .mend = Arrastra la fila hacia fuera, o deja igualar las filas.

reasons-placement-on-part = Las cotas van fuera de las vistas donde haya sitio.
    .why = Sobre la vista se leen como líneas de la pieza y tapan lo que hay debajo.
    .mend = Arrastra la cota más allá del contorno, mejor entre dos vistas.

reasons-placement-crossing = Las líneas de cota no cruzan nada; las auxiliares, lo menos posible.
    .why = En un cruce caben dos lecturas.
    .mend = Cambia el orden de las filas o lleva una cota al otro lado de la vista.

reasons-placement-gap = Las líneas auxiliares empiezan con un pequeño hueco visible desde el contorno.
    .why = Si lo tocan, alargan el contorno.
    .mend = Empieza la cota en la esquina: el tablero deja el hueco. En un archivo de fuera, ajusta la separación de las auxiliares.

reasons-placement-reading = Los textos se leen desde abajo y desde la derecha, o todos desde abajo: de un solo modo, el de su norma.
    .why = Nadie gira la lámina por una cifra; 66 y 99 son entonces lo mismo.
    .mend = Elige la norma de la lámina en la etapa Papel y deja que los textos la sigan.

reasons-placement-lettering = La rotulación mide al menos 2,5 mm (0,12 in) en el papel y es de una altura.
    .why = Las láminas se copian más pequeñas y se leen con poca luz.
    .mend = Pon una altura para todos los textos de la lámina.

reasons-placement-overlap = Los textos no se tapan entre sí.
    .why = Dos cifras una sobre otra no son ninguna.
    .mend = Desliza uno de los textos por su línea, o sácalo con una línea de referencia.

reasons-layout-outside = Todo queda dentro del margen y libre del cajetín.
    .why = Lo que toca el margen se corta al recortar la lámina.
    .mend = Mueve el grupo de vistas, o toma una escala menor.

reasons-layout-overlap = Las vistas no se tocan entre sí.
    .why = Las líneas superpuestas son de ambas y de ninguna.
    .mend = Separa las vistas, alineadas con el frente.

reasons-layout-centring = El grupo de vistas está en el centro del área de dibujo.
    .why = Una lámina equilibrada tiene sitio para cotas en cada lado, y parece pensada.
    .mend = Deja igualar las separaciones, o calcúlalas: (espacio − vistas) ÷ (vistas + 1).

reasons-layout-gaps = Las separaciones entre vistas y con el margen son iguales.
    .why = Separaciones desiguales dejan un lado sin sitio para cotas.
    .mend = Deja igualar las separaciones.

reasons-title-missing = Cada campo pedido del cajetín está relleno.
    .why = Una lámina sin nombre, fecha y escala no se puede archivar, consultar ni creer.
    .mend = Recorre la etapa Cajetín de arriba abajo.

reasons-title-lettering = El cajetín se rotula en mayúsculas.
    .why = Las mayúsculas siguen legibles cuando la lámina se copia pequeña.
    .mend = Escribe los campos en mayúsculas.

reasons-title-name = La lámina se nombra según el patrón del ejercicio.
    .why = En una carpeta con trescientos archivos el nombre es lo único que se ve.
    .mend = Da a la lámina el nombre que dice la observación.

reasons-pictorial-corner = La perspectiva se toma desde la esquina que muestra el frente, la superior y la lateral dibujada.
    .why = Está para ayudar a leer esas vistas; desde otra esquina habla de otras.
    .mend = Toma de nuevo la perspectiva: el tablero empieza por la esquina correcta.

reasons-pictorial-hides = La perspectiva deja ver cada forma que alguna esquina muestre.
    .why = Lo que esconde, el lector no lo buscará en las vistas.
    .mend = Tómala desde la esquina que dice la observación.

reasons-pictorial-shading = La perspectiva se sombrea donde lo pide el ejercicio.
    .why = Las sombras dicen de un vistazo qué caras están igual.
    .mend = Enciende el sombreado de la perspectiva.

reasons-section-missing = Donde el ejercicio pide un corte, lo hay: de la forma pedida y por los puntos indicados.
    .why = Lo de dentro, que solo se ve en líneas ocultas, se lee con dudas; cortado es evidente.
    .mend = Trace la línea de corte por el medio de lo interior y coloque el corte.

reasons-section-cutting-line = Una línea de corte en la vista de origen dice por dónde se corta, y sus flechas hacia dónde se mira.
    .why = Un corte sin su lugar podría estar en cualquier parte de la pieza.
    .mend = Trace la línea por donde se corta, por el medio de lo que muestra; gire las flechas en el sentido de la mirada.

reasons-section-label = Una misma letra está en ambos extremos de la línea de corte y sobre su corte, y no designa nada más.
    .why = Las letras son lo único que une un corte a su línea cuando hay más de uno.
    .mend = Dé a línea y corte la misma letra, y otra a cada corte.

reasons-section-hatching = Toda cara cortada está rayada, y nada más lo está.
    .why = El rayado dice: aquí hay material, por aquí pasa el corte.
    .mend = Raye lo que atraviesa el plano; deje sin rayar agujeros y lo que queda detrás.

reasons-section-hatch-style = Una pieza se raya en una sola dirección y separación, a 45° de su contorno, y su vecina al revés.
    .why = Zonas rayadas igual se leen como una pieza; líneas a lo largo del contorno parecen aristas.
    .mend = Raye a 45°, igual en toda la pieza, con 1 a 10 mm de separación.

reasons-section-uncut = Nervios, almas, ejes, pernos y pasadores no se cortan a lo largo.
    .why = Un nervio rayado parece una pared maciza; un pasador rayado, un agujero relleno.
    .mend = Déjelo entero: dibuje su contorno y no lo raye.

reasons-section-hidden = Un corte no muestra líneas ocultas.
    .why = Se dibujó para librarse de ellas.
    .mend = Quite las líneas ocultas del corte.

reasons-section-boundary = Las mitades de un semicorte se separan con un eje; los quiebros de la línea de corte no dibujan línea.
    .why = Una línea vista ahí dice que hay una arista, y no la hay.
    .mend = Trace el eje entre las mitades; quite las líneas de los quiebros.

reasons-detail-region = Un círculo con letra dice en otra vista qué amplía un detalle.
    .why = Una ampliación de no se sabe qué no sirve.
    .mend = Señale con un círculo y su letra lo que muestra el detalle.

reasons-detail-label = Letra y escala están junto al detalle, y la misma letra junto a su círculo.
    .why = La escala del cajetín no habla por él.
    .mend = Escriba letra y escala a su lado, como B (5:1).

reasons-detail-scale = Un detalle está ampliado, a una escala recomendada, la que lleva escrita.
    .why = Quien mide sobre él se fía de la escala escrita.
    .mend = Tome la siguiente escala recomendada a la que sus formas se vean claras.

reasons-auxiliary-missing = Una cara inclinada que debe conocerse en verdad se mira de frente en alguna vista.
    .why = Lo dibujado oblicuamente se acorta: no se le pueden tomar formas ni longitudes.
    .mend = Abata una vista perpendicular a la arista en que se ve la cara; donde no se ve de canto, busque primero ese canto.

reasons-auxiliary-direction = Una vista auxiliar mira de frente a la cara que muestra.
    .why = Con unos grados de desvío, toda longitud a lo ancho sale algo corta.
    .mend = Ponga la línea de abatimiento a lo largo de la arista en que se ve la cara.

reasons-auxiliary-fold = Una vista auxiliar está en línea con su origen a través de la línea de abatimiento.
    .why = Los puntos se llevan por esas líneas; fuera de línea no se pueden seguir.
    .mend = Muévala a lo largo de la línea de abatimiento hasta que las líneas de mira coincidan.

reasons-auxiliary-chain = Una vista secundaria se abate desde una primaria que muestra la cara de canto.
    .why = Solo perpendicular a la vista de canto se ve una cara en verdadera forma.
    .mend = Mire a lo largo de una recta de la cara en verdadera longitud: allí la cara se ve de canto. Parta de esa vista.

reasons-auxiliary-label = Una vista auxiliar está en proyección, o una flecha y una letra dicen desde dónde se mira.
    .why = Si no, nadie sabe hacia dónde mira.
    .mend = Abátala, o trace una flecha con letra junto a la pieza y la letra sobre la vista.
