/// What all stages have in common; one folder a stage below.
@NullMarked
package nelvar.desktop.stage;

import org.jspecify.annotations.NullMarked;
