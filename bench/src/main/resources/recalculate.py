"""Opens a workbook in a headless spreadsheet and says how long it takes to recalculate all of it, in milliseconds, and the
values of a column, one a line. Arguments: port, file, column from 0, rows."""
import sys
import time

import uno
from com.sun.star.beans import PropertyValue

port, file, column, rows = sys.argv[1], sys.argv[2], int(sys.argv[3]), int(sys.argv[4])
resolver = uno.getComponentContext().ServiceManager.createInstance("com.sun.star.bridge.UnoUrlResolver")
for _ in range(120):
    try:
        context = resolver.resolve(f"uno:socket,host=127.0.0.1,port={port};urp;StarOffice.ComponentContext")
        break
    except Exception:
        time.sleep(0.5)
desktop = context.ServiceManager.createInstance("com.sun.star.frame.Desktop")
document = desktop.loadComponentFromURL(
    uno.systemPathToFileUrl(file), "_blank", 0, (PropertyValue("Hidden", 0, True, 0),)
)
times = []
for _ in range(5):
    start = time.perf_counter()
    document.calculateAll()
    times.append(1000 * (time.perf_counter() - start))
print(sorted(times)[2])
for row in document.Sheets.getByIndex(0).getCellRangeByPosition(column, 0, column, rows - 1).getDataArray():
    print(row[0])
document.close(True)
try:
    desktop.terminate()
except Exception:
    pass
