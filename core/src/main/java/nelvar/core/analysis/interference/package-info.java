/// What disturbs what: from the wires that are there, how much of every edge gets into every input.
@NullMarked
package nelvar.core.analysis.interference;

import org.jspecify.annotations.NullMarked;
