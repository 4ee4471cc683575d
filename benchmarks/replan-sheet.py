# The same in a sheet of LibreOffice Calc, 10 000 of the trees (4 plantings), a formula a cell; needs soffice and
# python3-uno:
#   soffice --headless --accept='socket,host=localhost,port=2002;urp;' & python3 benchmarks/replan-sheet.py trees.csv
import sys, time
import uno

TREES, OF_ONE = 10_000, 2_500
resolver = uno.getComponentContext().ServiceManager.createInstance("com.sun.star.bridge.UnoUrlResolver")
context = resolver.resolve("uno:socket,host=localhost,port=2002;urp;StarOffice.ComponentContext")
desktop = context.ServiceManager.createInstanceWithContext("com.sun.star.frame.Desktop", context)
book = desktop.loadComponentFromURL("private:factory/scalc", "_blank", 0, ())
book.enableAutomaticCalculation(False)
sheet, last = book.Sheets.getByIndex(0), TREES + 1
with open(sys.argv[1]) as file:
    next(file)
    rows = tuple(tuple(float(x) for x in next(file).split(",")) for _ in range(TREES))
sheet.getCellRangeByName(f"A2:C{last}").setDataArray(rows)
plantings = TREES // OF_ONE
sheet.getCellRangeByName(f"K2:L{plantings + 1}").setDataArray(tuple((float(p), 90.0) for p in range(plantings)))


def rows_of(planting):
    return f"{planting * OF_ONE + 2}", f"{(planting + 1) * OF_ONE + 1}"


for p in range(plantings):
    first, end = rows_of(p)
    sheet.getCellRangeByName(f"M{p + 2}").Formula = f"=QUARTILE(B{first}:B{end};1)"
    sheet.getCellRangeByName(f"N{p + 2}").Formula = f"=QUARTILE(B{first}:B{end};3)"
formulas = tuple(
    (
        f"=B{r}^2/(4*PI())",
        f"=1+(B{r}>=VLOOKUP(A{r};K$2:N$5;3;0))+(B{r}>=VLOOKUP(A{r};K$2:N$5;4;0))",
        f"=AVERAGEIFS(D$2:D${last};A$2:A${last};A{r};E$2:E${last};E{r})",
        f"=VLOOKUP(A{r};K$2:N$5;2;0)*1.7*F{r}/AVERAGEIF(A$2:A${last};A{r};D$2:D${last})",
        f"=C{r}-G{r}",
    )
    for r in range(2, last + 1)
)
sheet.getCellRangeByName(f"D2:H{last}").setFormulaArray(formulas)
book.calculateAll()
for round in range(3):
    sheet.getCellRangeByName(f"L2:L{plantings + 1}").setDataArray(
        tuple((90.0 * (1 + 0.02 * round),) for _ in range(plantings))
    )
    start = time.perf_counter()
    book.calculateAll()
    took = time.perf_counter() - start
    leave = sum(r[0] for r in sheet.getCellRangeByName(f"G2:G{last}").getDataArray()) / TREES
    print(f"LibreOffice sheet: {took:.2f} s for {TREES} trees, {leave:.1f} buds a tree to leave")
book.close(True)
