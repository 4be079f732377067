/// The quick calculator: any calculation of `nelvar.core.calc` with no project, filled from the
/// selection and dropped into the project where there is one. Reads no files and computes nothing
/// itself.
@NullMarked
package nelvar.desktop.quick;

import org.jspecify.annotations.NullMarked;
