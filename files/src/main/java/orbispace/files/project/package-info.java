/**
 * The project on disk: its file, its stems, its log, and what is kept beside it.
 *
 * <p>Start at {@link orbispace.files.project.ProjectFile}. Uses {@code sound}.
 */
@NullMarked
package orbispace.files.project;

import org.jspecify.annotations.NullMarked;
