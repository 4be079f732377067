/// Finding places: a first layout of a cabinet from nothing, or round what stays where it is.
///
/// Rows of parts on a plate, ducts between them; a greedy start, then local search that is the same
/// for the same seed. What a place is judged by is in `analysis.space` and `analysis.thermal`; the
/// outcome is an ordinary edit.
package nelvar.core.compose.place;
