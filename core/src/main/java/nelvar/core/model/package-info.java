/// The machine as designed: an immutable project of devices, conductors, cables and policies. Edits
/// are functions from project to project, in `model.edit`. Nothing here computes.
@NullMarked
package nelvar.core.model;

import org.jspecify.annotations.NullMarked;
