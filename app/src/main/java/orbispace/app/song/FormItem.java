package orbispace.app.song;

/** Something on the ruler of tempo and form that can be chosen and moved. */
public sealed interface FormItem {
    /**
     * The edge before a section.
     *
     * @param index of the section; the number of sections for the end of the last
     */
    record Edge(int index) implements FormItem {}

    /**
     * A tempo change.
     *
     * @param beat where it is
     */
    record Tempo(double beat) implements FormItem {}
}
