### Por qué no se puede hacer algo, en respuesta a una petición.

no-such-address = No existe esa dirección.
interface-not-built = La interfaz no está construida. Ejecute scripts/start.
answer-after-return = La solución modelo se podrá ver cuando se devuelva su lámina.
left-to-you = En este ejercicio eso le toca a usted.
not-returned-yet = La lámina aún no está devuelta.
no-model-to-show = No hay modelo en que mostrarlo.
no-view-to-hand-in = Todavía no hay ninguna vista en la lámina. No se ha entregado nada; su borrador se conserva.
exercise-closed = El ejercicio está cerrado; cuenta lo que se guardó antes. Este navegador aún conserva lo que dibujaste.
attempt-under-way = Tu lámina todavía está en curso.
no-attempt-left = No te queda ningún intento en este ejercicio.
more-than-there-are = Hay { $most } puntos como máximo.
no-such-rule = No hay ninguna regla llamada { $rule }.
grades-must-fall = Las notas van de la mejor a la peor: cada escalón exige menos que el anterior.
lowest-grade-from-nothing = La última nota es para todo lo demás: empieza en cero.
determined-by-now = Eso ya está determinado.
no-drafted-view = No hay en la lámina ninguna vista dibujada a mano con ese nombre.
no-proposal = No se pueden proponer cotas: { $reason }.
no-front-yet = Todavía no hay vista frontal en la lámina.
no-scale-with-room = Ninguna escala recomendada deja sitio para cotas en este papel.
whose-sheet-varied = la pieza tiene medidas propias de cada estudiante: diga de quién es esta lámina
whose-sheet-unknown = ni el nombre del archivo ni su cajetín dicen de quién es la lámina
whose-sheet-two = el nombre del archivo dice { $file } y el cajetín { $title }: diga de quién es la lámina
already-handed-in = ya entregada; esa lámina sigue como estaba
sheet-begun-here = ha empezado aquí una lámina; sigue como estaba
sheet-file-too-large = El archivo es demasiado grande para una lámina.
draft-file-refused = { $file }: { $reason }. Su borrador sigue como estaba.
no-such-student = No hay tal estudiante en la clase.
no-such-sheet-in-set = No hay tal lámina en el juego.
title-block-blank = Aún no hay nada en el cajetín de esta lámina.
closes-before-it-opens = Cierra antes de abrir.
own-sizes-stay = Cada cual tiene ya sus propias medidas, de la pieza como era. Copia el ejercicio para usar la pieza nueva.
class-of-another = Otro docente hizo esta clase y la comparte contigo; solo él o ella puede hacer eso.
password-by-administrator = Esta cuenta la hizo un administrador, que puede darle una contraseña nueva.
file-too-large-for-roster = El archivo es demasiado grande para una lista.
roster-out-of-date = Entretanto alguien tomó uno de estos nombres de acceso. No entró nadie; mira la lista otra vez.
roster-row = Fila { $line }: { $reason }
roster-no-name = no hay nombre
roster-no-log-in = «{ $login }» no puede ser un nombre de acceso: de tres a sesenta minúsculas, cifras, puntos y guiones
roster-no-email = «{ $email }» no es una dirección de correo
roster-twice = el mismo nombre de acceso que en la fila { $line }
roster-no-student = «{ $login }» es el nombre de acceso de alguien que no es estudiante o cuya cuenta está cerrada
roster-is-called = esta cuenta se llama { $name }
no-table = Esto no es ni CSV ni XLSX, o está dañado.
table-too-long = La tabla tiene más de { $most } filas.
no-such-instructor = Ningún docente tiene el nombre de acceso { $login }.
no-such-code = Ninguna clase tiene este código. Pídelo otra vez a tu docente.
file-refused = { $file }: { $reason }.
no-original = Esta lámina no se leyó de un archivo.
no-such-view = No existe esa vista en la lámina.
nothing-changed = No se ha cambiado nada: { $reason }.
drafted-by-hand = Hay que dibujar a mano: { $views }. Su borrador sigue como estaba.
changes-need-one-size = Solo se pueden cambiar líneas en una pieza que tenga las mismas medidas para todos.
ranges-give-no-part = Los intervalos de sus medidas no dan ninguna pieza válida: { $reason }.
no-ranges = Aquí no hay medidas con intervalo. Póngalas en el constructor, o propóngalo como está.
no-part-in-ranges = No se ha podido hacer ninguna pieza válida en los intervalos de sus medidas: { $reason }.
exercise-cannot-be-set = No se puede proponer el ejercicio: { $reason }.
no-such-page = No existe esa página.
too-many-followed = Está siguiendo demasiadas subidas a la vez.
job-ended = Esto ya ha terminado: { $reason }.
checked-again = Esta lámina se ha vuelto a comprobar entretanto. Mírela otra vez y decida.
marks-settled = Esta lámina está devuelta; su calificación es firme.
decided-meanwhile = Alguien lo ha decidido entretanto: { $stands ->
        [upheld] se mantiene
        [waived] se deja pasar
       *[open] queda abierto
    }. Mírelo otra vez y decida.
remark-settled = Esta lámina está devuelta; su observación es firme.
too-many-attempts = Demasiados intentos fallidos. Espere diez minutos y pruebe otra vez.
wrong-password = Ese nombre y esa contraseña no van juntos.
not-your-password = Esa no es su contraseña. No se ha cambiado nada.
same-password = Esa es la contraseña que ya tiene. Elija otra.
own-password = Su propia contraseña puede cambiarla usted.
own-account = No puede cerrar su propia cuenta.
own-account-anonymous = No puede hacer anónima su propia cuenta.
log-in-taken = El nombre de acceso «{ $login }» ya está en uso.
step-has-no-features = Esta pieza vino como archivo STEP: no tiene elementos que editar.
part-cannot-be-drawn = Esta pieza no se puede dibujar así: { $reason }.
part-known-by-views = En este ejercicio la pieza solo se conoce por sus vistas.
part-being-examined = Esta pieza todavía se está examinando.
no-picture-yet = Esta pieza todavía no tiene imagen.
no-check-left = Este ejercicio no permite más comprobaciones antes de entregar.
lines-left-to-you = En este ejercicio las líneas las dibuja usted.
part-file-kind = Una pieza es un archivo .step o .stp, o una receta en un archivo .json.
file-too-large = El archivo es demasiado grande.
file-empty = El archivo está vacío.
not-refused = Esta pieza no está rechazada; no hay nada que reintentar.
copy-when-ready = Solo se puede copiar una pieza lista.
part-not-ready = Esta pieza no está lista.
position-when-ready = Esta pieza no está lista; su posición se podrá fijar cuando lo esté.
part-not-written = La pieza no se ha podido escribir en un archivo así: { $reason }.
not-logged-in = No ha iniciado sesión, o su sesión ha terminado. Lo que ha dibujado se conserva aquí.
page-out-of-date = Esta página está anticuada. Recárguela y pruebe otra vez.
choose-password-first = Elija primero una contraseña propia.
part-not-ready-because = Esta pieza no está lista: { $reason }.
full-house = Hay muchísima gente pidiendo cosas ahora mismo. No se ha cambiado nada; pruebe otra vez.
no-such-thing = Aquí no hay tal cosa.
already-anonymous = Ya nadie sabe de quién era esta cuenta.
work-given-up = El trabajo se ha abandonado. No se ha cambiado nada; pruebe otra vez dentro de un momento.
beyond-what-is-kept = Un número o un texto de la petición es mayor de lo que se puede guardar. No se ha cambiado nada.
request-too-large = Es demasiado grande: se admiten { $most } MB como mucho. No se ha cambiado nada.
changed-in-another-tab = Esta lámina se ha cambiado en otra pestaña. Lo que tiene aquí no se ha perdido; elija cuál conservar.
files-away = El lugar donde se guardan los archivos no responde ahora mismo. No se ha cambiado nada; pruebe otra vez dentro de un momento.
database-away = La base de datos no responde ahora mismo. No se ha cambiado nada; pruebe otra vez dentro de un momento.
kept-is-unreadable = Lo que se guarda aquí ya no se puede leer: { $reason }.
request-invalid = { $where ->
        [nowhere] La petición
       *[other] { $where }
    }: { $reason }. No se ha cambiado nada.
part-not-ready-yet = Esta pieza no está lista: todavía se está examinando.
cannot-be-worked-on = { $what ->
        [sheet] No se puede trabajar con esta lámina: { $reason }.
       *[part] No se puede trabajar con esta pieza: { $reason }.
    }
part-cannot-be-built = { CAPITAL($reason) }. No se ha guardado nada.
feature-cannot-be-built = Elemento { $number }: { $reason }. No se ha guardado nada.
something-went-wrong = Algo ha fallado aquí. No se ha cambiado nada. Si vuelve a ocurrir, comunique este número: { $number }.

## Conjuntos

assembly-part-not-there = { $name } no está en tu estantería, o aún no está lista.
assembly-within = { $name } es a su vez un conjunto: coloca sus piezas una a una.
assembly-not-put-together = Esto no se puede montar: { $reason }.
no-assembly = Esto es una pieza, no un conjunto.
no-such-component = No hay { $id } en este conjunto.
fit-itself = Un componente se pone contra otro, no contra sí mismo.
