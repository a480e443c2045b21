package orbispace.files.project;

import orbispace.core.design.Source;

/** Tells what the file of a source holds apart from any other content. */
@FunctionalInterface
public interface ContentOf {
    /** A text that is the same for the same content alone; any text if it is not known. */
    String of(Source source);
}
