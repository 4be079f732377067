/// Pure functions from project to project, named as a user would say them.
@NullMarked
package nelvar.core.model.edit;

import org.jspecify.annotations.NullMarked;
