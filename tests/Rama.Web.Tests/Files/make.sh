#!/usr/bin/env bash
# Makes the files of this folder with R and LibreOffice, so that the importers meet what real spreadsheets write.
# Needs Debian's r-base-core and libreoffice-calc-nogui; run by hand, the results are kept.
set -euo pipefail
cd "$(dirname "$0")"
Rscript - <<'R'
t <- data.frame(
  Finca = c("Casa", "Río Ñuble"), Código = c("A1", "A2"), Nombre = c("Llano", "Ñandú, \"alto\""), Variedad = c("Jonagold", "Topaz"),
  Patrón = c("M.9", "M.26"), Plantado = c(2018L, 2019L), "Entre filas (m)" = c(3.5, 3.25), "Sobre fila (m)" = c(1, 0.9), "Superficie (ha)" = c(2, 1.2345),
  check.names = FALSE)
write.csv(t, "r-utf8.csv", row.names = FALSE, fileEncoding = "UTF-8")
write.csv2(t, "r-semicolon-comma.csv", row.names = FALSE, fileEncoding = "UTF-8", eol = "\r\n")
write.csv2(t, "r-latin1.csv", row.names = FALSE, fileEncoding = "latin1")
con <- file("r-utf16.csv", open = "w", encoding = "UTF-16"); write.table(t, con, sep = "\t", row.names = FALSE, qmethod = "double"); close(con)
R
soffice --headless --convert-to xlsx:"Calc MS Excel 2007 XML" --infilter="CSV:44,34,UTF8,1,,1033,false,true" r-utf8.csv >/dev/null
mv r-utf8.xlsx calc.xlsx
# Semicolons (59), every text cell quoted, UTF-8 with byte order mark.
soffice --headless --convert-to csv:"Text - txt - csv (StarCalc)":59,34,76,1,,0,true,true,false calc.xlsx >/dev/null
mv calc.csv calc-semicolon.csv
