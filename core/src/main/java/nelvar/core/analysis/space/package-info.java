/// Where things stand: bodies on plates, doors and walls, what they want free around them, the ways
/// wires take between them, and the rules of the place.
///
/// Geometry counts in millimetres from the left and the top edge of a surface. How warm it gets is
/// in `analysis.thermal`; finding a good arrangement is in `compose.place`.
package nelvar.core.analysis.space;
