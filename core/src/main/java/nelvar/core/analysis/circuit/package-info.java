/// The machine as circuit sheets: which symbols its devices are drawn as ([Pieces]), which way the
/// current takes through its wires ([Flow]), what stands together on a sheet ([Paths], [Arrange]),
/// and how wires are led between the symbols ([SheetRouter]). All of it in whole steps of a grid;
/// what a symbol looks like is drawn elsewhere. Begins at [CircuitSheets].
@NullMarked
package nelvar.core.analysis.circuit;

import org.jspecify.annotations.NullMarked;
