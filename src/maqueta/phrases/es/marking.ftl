### What stands in tables of marks, on printed slips and in reports.

column-name = Nombre
column-given = Nombre de pila
column-family = Apellido
column-login = Nombre de acceso
column-email = Correo
column-group = Grupo
column-points = Puntos
column-of = De
column-percent = Por ciento
column-grade = Nota
column-state = Estado
column-attempt = Intento
column-handed-in = Entregada
column-late = Tarde
column-remark = Comentario
column-sum = Suma
criterion-name = { $criterion ->
    [front] Frente
    [angle] Ángulo
    [views] Vistas
    [alignment] Alineación
    [lines] Líneas
    [scale] Escala
    [dimensions] Cotas
    [placement] Colocación
    [layout] Disposición
    [title] Cajetín
    [section] Cortes
    [detail] Detalles
    [auxiliary] Vistas auxiliares
    [assembly] Conjunto
    [set] Juego de láminas
   *[pictorial] Perspectiva
}

slip-handed-in = entregada { $when } UTC
slip-mark = { PLAIN($points) }/{ PLAIN($of) }
slip-cost = −{ PLAIN($cost) }
slip-waived = perdonada
slips-written = { $number } de { $of } láminas
slips-ready = Las hojas están listas
slips-none = Aún no se entregó nada

making-own-parts = Haciendo piezas con medidas propias de cada estudiante: { $number } de { $of }
own-parts-made = Las piezas de todos están hechas

sheet-state = { $state ->
    [handed-in] entregada
   *[returned] devuelta
}
