/**
 * What comes in and goes out: WAV, Standard MIDI Files, projects and recall sheets.
 *
 * <p>Start at {@link orbispace.files.ProjectFile}. Every failure is a {@link
 * orbispace.files.FileProblem} with one line that says what, where and what to do.
 */
@org.jspecify.annotations.NullMarked
package orbispace.files;
