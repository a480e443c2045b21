package orbispace.core.design;

/** A change of a design, with its words. */
public sealed interface Edit
        permits ReturnEdit,
                FieldEdit,
                SongEdit,
                SourcesEdit,
                AimsEdit,
                ThrowsEdit,
                GroupEdit,
                WetEdit,
                BlendEdit,
                EditsTogether {

    /**
     * The changed design.
     *
     * @throws IllegalArgumentException if a value is out of range, or what it changes is not there
     */
    Design applyTo(Design design);

    /** What changes, in words, without the values. */
    String subject();
}
