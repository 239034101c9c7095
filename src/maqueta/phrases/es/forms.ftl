### Formatos de lámina: qué les falta, y qué se hizo de un archivo.

form-border-off-paper = El marco se sale del papel.
form-no-room-to-draw = El marco y el cajetín dejan menos de la mitad del papel para dibujar.
form-title-outside = El cajetín se sale del marco.
form-without-fields = Ningún campo tiene lugar todavía: nada de lo que se escriba quedaría en la lámina.
form-lacks-fields = Sin lugar para: { $fields }. Un cajetín suele tenerlos.
form-zones-off-paper = Las marcas de zona necesitan { PLAIN($strip) } mm de papel junto al marco por cada lado.
form-ink-off-paper = { $count ->
    [one] Una línea o texto queda
   *[other] { $count } líneas o textos quedan
} fuera del papel.
form-ink-in-drawing = { $count ->
    [one] Una línea queda
   *[other] { $count } líneas quedan
} encima del cajetín, donde se dibujan las vistas.
form-field-outside = «{ field-name }» queda fuera del cajetín.
form-field-small = «{ field-name }» tiene { FIXED($wide, 1) } × { FIXED($high, 1) } mm: poco para su rotulación.
form-fields-overlap = «{ field-name }» y «{ $other }» se superponen.

form-read-no-border = No se encontró marco en el archivo; se pone el usual de { $paper }.
form-read-no-title = No se encontró cajetín en el archivo; se pone el contorno del usual.
form-read-no-room = «{ field-name }» tiene rótulo, pero no se le encontró lugar: colóquelo a mano.
form-read-curves = { $count ->
    [one] Una curva, cota o zona rellena queda
   *[other] { $count } curvas, cotas o zonas rellenas quedan
} fuera: un formato tiene líneas rectas y rotulación.
form-read-far = { $count ->
    [one] Una línea o texto queda a metros del papel y se deja
   *[other] { $count } líneas o textos quedan a metros del papel y se dejan
} fuera.
form-read-too-many = { $count ->
    [one] Una línea o texto queda
   *[other] { $count } líneas o textos quedan
} fuera: un formato tiene como mucho { $lines } líneas y { $texts } textos.
form-not-on-sheet = El formato de lámina del ejercicio no se encontró en esta lámina; el marco y el cajetín se hallaron por sus propias líneas.
form-not-ready = El formato de lámina todavía no se puede usar: { $reason }
form-no-cell = Ninguna línea cierra alrededor de este punto dentro del marco: dibuje primero la casilla.
form-cell-small = A la casilla no le queda lugar para «{ field-name }».
