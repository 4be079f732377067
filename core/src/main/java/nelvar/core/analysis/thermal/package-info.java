/// How warm it gets in a cabinet: what each device gives off, what the walls, fans and exchangers
/// carry away, and the air at each part.
///
/// The model is that of small closed cabinets, good for ±25 % of the rise; what rests on it says
/// so.
package nelvar.core.analysis.thermal;
