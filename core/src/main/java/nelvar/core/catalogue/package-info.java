/// Generic parts: one record a kind with ratings, terminals, behaviour, loss and price. A part says
/// which terminals it has, what joins inside it, where it takes and where it gives power. Data in
/// resources, parts/*.json. What a project does with parts is in `nelvar.core.model`.
@NullMarked
package nelvar.core.catalogue;

import org.jspecify.annotations.NullMarked;
