/// What is joined to what: the terminals of a project as a graph, the way of the current from each
/// source to each load and back, and the currents that follow. The network solver will live beside
/// it in `network.solve`.
@NullMarked
package nelvar.core.network;

import org.jspecify.annotations.NullMarked;
