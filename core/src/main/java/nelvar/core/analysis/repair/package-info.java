/// What someone who looks for a fault wants to know beforehand: what a meter shows along the way to
/// each load, on and at rest.
@org.jspecify.annotations.NullMarked
package nelvar.core.analysis.repair;
