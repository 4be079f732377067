/// The command line: a thin door to core and documents. Its output is a contract; see
/// docs/guide/command-line.md. Exit 0 fine, 1 review found errors, 2 bad use or unreadable file.
@NullMarked
package nelvar.cli;

import org.jspecify.annotations.NullMarked;
