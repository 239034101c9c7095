### Lo que se dibuja a mano o se lee de un archivo: por qué no puede ser, y qué no se ha podido leer.

drafting-parallel-unsaid = Diga a qué distancia pasa la paralela, y a qué lado.
drafting-most-lines = Una vista admite como mucho { PLAIN($most) } líneas.
drafting-no-line = No hay ninguna línea dibujada en este punto.
drafting-region-open = Ninguna región queda cerrada en torno a este punto: su contorno tiene un hueco, o no lo hay.
drafting-most-areas = Una vista puede tener como máximo { $most } áreas rayadas.
drafting-curve-untrimmed = Una curva libre no se puede recortar; se puede borrar.
drafting-nothing-crosses = Ninguna línea cruza esta, así que no hay hasta dónde recortarla. Borrar la quita entera.
drafting-circle-uncrossed = Una circunferencia completa se recorta entre dos líneas que la cruzan; hay menos de dos.
drafting-circle-endless = Una circunferencia completa no tiene extremo que prolongar.
drafting-curve-unextended = Una curva libre no se puede prolongar.
drafting-nothing-ahead = No hay ninguna línea delante de este extremo hasta la que prolongarlo.
drafting-which-side = Señale el lado por el que ha de pasar la paralela.
drafting-circle-too-small = La circunferencia es demasiado pequeña para una paralela a esta distancia por dentro.
drafting-lines-and-circles = Solo se trazan paralelas a líneas y circunferencias.
sheet-metres-large = la lámina mide { FIXED($size) } m
sheet-without-views = no hay ninguna línea de una vista en la lámina
sheet-file-empty = el archivo está vacío
sheet-file-larger = el archivo pasa de { $most } MB
sheet-file-no-dxf = no es un archivo DXF de texto
sheet-file-entities = el archivo tiene más de { PLAIN($most) } entidades; una lámina tiene unos cientos
sheet-file-broken = no es un archivo DXF utilizable: su estructura está rota
sheet-lines = la lámina tiene más de { PLAIN($most) } líneas
sheet-curve-points = la lámina tiene una curva de { PLAIN($points) } puntos, más de { PLAIN($most) }
sheet-file-without-lines = no hay ninguna línea en el archivo
sheet-file-circle = el archivo tiene una circunferencia de radio { PLAIN($radius) }
sheet-file-coordinate = el archivo tiene una coordenada que no está en ninguna lámina ({ $x }, { $y })
sheet-file-other = un archivo { $kind } no es una lámina que se pueda leer; una lámina es un archivo DXF, PDF o SVG, o un escaneo en PNG o JPEG
sheet-pdf-locked = el archivo PDF está protegido con una contraseña
sheet-pdf-broken = no es un archivo PDF utilizable: su estructura está dañada
sheet-picture-broken = no se puede abrir esta imagen: está dañada o no es PNG ni JPEG
sheet-picture-large = esta imagen tiene más de { $most } millones de píxeles; escanea la lámina a 200 o 300 puntos por pulgada
sheet-picture-small = esta imagen solo tiene { $wide } por { $high } píxeles: no se distinguen líneas ni letras; escanea la lámina a 200 o 300 puntos por pulgada
sheet-picture-no-drawing = esta imagen no muestra ninguna lámina: hay en ella más oscuro que el de unas líneas sobre papel
sheet-freehand = la lámina está dibujada sin regla: sus líneas ondulan demasiado para compararlas con la pieza
sheet-pdf-picture = la página es una imagen sin ninguna línea trazada; entregue esa imagen como PNG o JPEG, o la lámina como la escribe el programa
sheet-page-endless = la página no acaba: se dibuja a sí misma, o mucho más de lo que tiene una lámina
sheet-no-such-page = el archivo no tiene página { PLAIN($page) }
unread-no-recogniser = { $count } líneas de texto: el reconocedor de letras (tesseract-ocr de Debian) no está, o no ha contestado
unread-letters-near = letras cerca de { PLAIN($x) } / { PLAIN($y) } mm, que no se han podido descifrar
unread-doubtful = «{ $text }», que la imagen no muestra con claridad: mira si pone eso
read-by-hand = dibujada a mano: lo que se aparta no más de { $tolerance } mm, o se inclina no más de { $degrees }°, cuenta como en su sitio
unread-picture-read = leída de una imagen: compara lo encontrado con la imagen antes de decidir
unread-letters-drawn = sus letras están dibujadas y no escritas; se leyeron por su aspecto
unread-sizes-open = lo que dice una cota puede ser otra cosa: no se juzga si la lámina tiene todas las cotas
unread-sizes = cotas que se ven y no se leyeron, o solo en parte ({ $count }): no se juzga si la lámina tiene todas las cotas
unread-title = lo que figura en el cajetín en { $fields }, que la imagen no muestra con claridad; se toma como debe ser
unread-stretches = tramos cortos de líneas que la imagen no muestra con claridad, tomados como deben ser ({ $count })
unread-shapes = formas rellenas que no son puntas de flecha, quizá letras dibujadas como contornos
unread-letters = letras de las que el archivo no dice cuáles son
unread-picture = imagen
sheet-svg-entities = el archivo SVG define entidades propias; nunca se siguen
sheet-svg-broken = no es un archivo SVG utilizable: su estructura está dañada
unread-reference = referencia a algo que no está en el dibujo, o que se dibuja a sí mismo
sheet-needs-memory = necesita más memoria de la que se admite para una lámina
read-as-drawn = la página se imprimió al { FIXED($share) } % del tamaño de su lámina; se leyó tan grande como se dibujó
unread-aside = líneas junto a las vistas, tomadas por ejes o líneas de cota ({ $count })
unread-lines = líneas de un mismo grosor y color, tomadas por líneas de cota u otras ({ $count })
unread-layer = líneas de la capa { $layer }, tomadas por líneas de cota u otras ({ $count })
unread-counted = { $what } ({ $count })
unread-entity = { $kind }
unread-switched-off = { $kind } en la capa apagada { $layer }
unread-damaged = { $kind } con daños
unread-endless = INSERT del bloque { $block }, que se contiene a sí mismo
unread-copies = copia del bloque { $block }
unread-arc-length = DIMENSION de la longitud de un arco
unread-model-space = entidades en el espacio modelo ({ $count })
unread-paper-space = entidades en el espacio papel { $name } ({ $count })
unread-loose-dimension = la cota «{ $text }», que no toca ninguna vista
unread-loose-text = el texto «{ $text }», que no está junto a nada cuya medida pueda ser
unread-too-many = { $count } { $what ->
    [groups] grupos de líneas
    [dimensions] cotas
    [notes] notas
   *[centre-lines] ejes
} más de los { $most } que admite una lámina
unread-too-many-lines = { $count } líneas más de las { PLAIN($most) }, o { PLAIN($points) } puntos, que admite una lámina
