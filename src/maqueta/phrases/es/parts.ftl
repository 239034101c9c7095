### Por qué no sirve una pieza, qué fue de su archivo y por dónde va el trabajo con ella.

feature-at-fault = elemento { $number } «{ $name }»: { $reason }
size-at-fault = medida «{ $name }»: { $reason }
as-written = { $text }

## Elementos de una receta

feature-name-taken = otro elemento ya tiene este nombre
kernel-could-not-make-it = el núcleo geométrico no ha podido hacerlo
every-feature-suppressed = todos los elementos están suprimidos: no queda nada de la pieza
part-in-pieces = la pieza se parte en { $pieces } trozos
first-adds-material = el primer elemento tiene que aportar material
cuts-nothing = no corta nada: queda fuera de la pieza
adds-nothing = no añade nada: queda dentro de la pieza
result-not-valid = el resultado no es un sólido válido
nothing-left = no queda nada de la pieza
no-earlier-feature = no hay ningún elemento anterior «{ $name }»
edges-too-small = { PLAIN($amount) } es demasiado para las aristas elegidas
no-edge-between = no hay ninguna arista entre los lados { $first } y { $second }
no-edge-near = no hay ninguna arista cerca de ({ PLAIN($x) }; { PLAIN($y) }; { PLAIN($z) })
profile-crosses-axis = el perfil cruza el eje: hay un radio negativo
step-without-size = el escalón no tiene tamaño
counterbore-too-narrow = la caja cilíndrica no es más ancha que el agujero
countersink-too-narrow = el avellanado no es más ancho que el agujero
slot-runs-inwards = una ranura corre transversal a la dirección en que se hunde
slot-too-short = una ranura de extremos redondos es más larga que ancha
edge-sides-alike = los dos lados de una arista están en ejes distintos
hole-mouth-twice = un agujero lleva caja cilíndrica o avellanado, no ambos
rib-legs-alike = los dos catetos de un nervio están en ejes distintos
repeat-step-or-about = indique un paso o un eje de giro, solo uno
range-half = un intervalo necesita sus dos extremos, mínimo y máximo
range-empty = su intervalo está vacío

## Perfiles

corner-before-arc = a la esquina { $corner } le sigue un arco: solo se redondea una esquina entre dos rectas
corner-on-straight-line = la esquina { $corner } está en línea recta y no se puede redondear
corner-radius-too-large = el radio { PLAIN($radius) } de la esquina { $corner } es demasiado grande para sus rectas
profile-repeats-point = el perfil repite un punto
profile-without-area = el perfil no encierra ninguna superficie
profile-crosses-itself = el perfil se cruza a sí mismo
arc-in-one-line = los tres puntos de un arco están en línea recta

## Medidas tal como se escriben

expression-too-long = una expresión puede tener como mucho { $most } caracteres
expression-unreadable = «{ $text }» no se puede leer como medida
expression-divides-by-zero = «{ $text }» divide por cero o es demasiado grande
expression-not-finite = «{ $text }» no es una medida finita
expression-of-sums-only = solo valen números, nombres, + − × ÷ y paréntesis
no-size-called = no hay ninguna medida llamada «{ $name }»
two-sizes-called = hay dos medidas llamadas «{ $name }»

## Archivos

part-file-too-large = el archivo pasa de { $most } MB
no-part-file = una pieza es un archivo .step o .stp, o una receta en un archivo .json
not-json = no es JSON ({ $reason })
no-step-file = esto no es un archivo STEP: falta el encabezado ISO-10303-21
step-unusable-numbers = el archivo STEP tiene coordenadas que no son números utilizables
step-damaged = el archivo STEP no se puede leer: su contenido está dañado
step-without-shape = el archivo STEP no contiene ninguna forma
step-without-solid = el archivo STEP no contiene ningún sólido, solo superficies o curvas
step-not-written = no se ha podido escribir el archivo STEP
step-solid-broken = { $which ->
        [0] el sólido
       *[other] el sólido { $which }
    } del archivo STEP está roto: no pasa la prueba del núcleo geométrico y no se puede reparar
step-solid-healed = { $which ->
        [0] el sólido
       *[other] el sólido { $which }
    } no pasaba la prueba del núcleo geométrico y se ha reparado
step-read = { $solids ->
        [one] un sólido
       *[other] { $solids } sólidos
    } con { $faces ->
        [one] una cara
       *[other] { $faces } caras
    }
step-unit-missing = escrito sin unidad, leído en milímetros
step-unit = escrito en { $unit }{ $read ->
        [as-mm] , leído en milímetros
       *[as-it-is] {""}
    }
step-joined = { $surfaces } superficies sueltas se han unido en { $solids ->
        [one] un sólido cerrado
       *[other] { $solids } sólidos cerrados
    }
step-loose = { $surfaces ->
        [one] una superficie
       *[other] { $surfaces } superficies
    } fuera de todo sólido
step-faces-joined = de { $before } caras han quedado { $after }: las vecinas en una misma superficie son una sola cara

## Sólidos

no-solid-in-it = no contiene ningún sólido, solo superficies o curvas
solid-without-volume = el sólido no encierra volumen
solid-endless = el sólido llega hasta donde ningún número alcanza
solid-of-no-use = el sólido mide { PLAIN($size) } { $unit }; las piezas miden entre { PLAIN($least) } y { PLAIN($most) } { $unit }
solid-too-far-away = el sólido está demasiado lejos del origen
attitude-along-one-axis = el lado { $side } y el de arriba { $up } están en un mismo eje

## Trabajo en otros procesos

took-too-long = ha tardado más de { $seconds } segundos y se ha detenido
kernel-failed = el núcleo geométrico ha fallado con ello
needs-more-memory = necesita más memoria de la que puede tomar
could-not-be-examined = no se ha podido examinar ({ $error })
file-is-kept = { $reason }; su archivo se conserva
reading-file = leyendo el archivo
drawing-view = dibujando la vista { $number } de { $of }
making-card-model = haciendo el modelo de cartulina
part-is-ready = lista
part-is-gone = la pieza ya no está
examination-never-ended = se ha empezado varias veces y nunca se ha terminado; pruebe otra vez, o con otro archivo
examination-stopped = se ha detenido el examen
job-cancelled = cancelado
checking-never-ended = las láminas conservan sus observaciones; volver a comprobarlas nunca llegó a término
checking-sheet-again = volviendo a comprobar la lámina { $number } de { $of }
sheets-checked-again = comprobadas de nuevo: { $number } de { $of } láminas
cut-misses = la línea de corte no encuentra la pieza
cut-along-face = la línea de corte va a lo largo de una cara de la pieza y no corta nada
cut-fails = la pieza no se puede cortar ahí
cut-without-length = un tramo de la línea de corte no tiene longitud
cut-crosses-itself = la línea de corte se cruza a sí misma
no-flank = esta cara no tiene otra paralela detrás ni rodea una barra maciza: no es el costado de un nervio ni un radio
no-body-of-it = esta cara no es de ningún cuerpo que pueda quedar entero: la pieza es una sola

## Conjuntos

fit-flat-faces = se apoyan una contra otra dos caras planas
fit-round-faces = en un eje se ponen dos caras redondas: de cilindros, conos o anillos
assembly-axes = estos ejes no giran la pieza: no son perpendiculares y de longitud 1, o la reflejan
refit-other-form = { $name } tiene otra forma con estas medidas: sus caras no se corresponden
refit-no-contact = { $first } y { $second } ya no se tocan donde se tocaban
refit-other-fit = { $first } (⌀{ $one }) y { $second } (⌀{ $other }) ya no ajustan como antes
refit-overlap = { $first } y { $second } se cortan con estas medidas
assembly-twice = hay dos componentes { $id }
assembly-units = { $name } está en { $unit ->
    [inch] pulgadas
   *[mm] milímetros
} y el conjunto en { $units ->
    [inch] pulgadas
   *[mm] milímetros
}
assembly-too-deep = el conjunto tiene más de { $most } niveles
assembly-too-many = un conjunto tiene hasta { $most } componentes; este tiene más
step-no-solid-in = «{ $name }» no tiene ningún sólido y queda fuera
step-assembly = leído como conjunto de { $components } componentes, de { $parts ->
    [one] { $parts } pieza
   *[other] { $parts } piezas
}
assembly-damaged = el documento del conjunto no se puede leer
assembly-out-of-reach = un componente está reflejado, o demasiado lejos
