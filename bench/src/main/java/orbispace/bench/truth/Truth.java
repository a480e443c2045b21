package orbispace.bench.truth;

/** Prints the tables of {@code docs/methods.md} anew. */
public final class Truth {
    private Truth() {}

    /**
     * Prints the tables.
     *
     * @param arguments how many responses and how many seeds per row, such as {@code 1000 20}
     */
    public static void main(String[] arguments) {
        int responses = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 200;
        int seeds = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 4;
        DecayTruth.print(responses, System.out);
        PhraseTruth.print(seeds, System.out);
        StrokeTruth.print(seeds, System.out);
        UnitTruth.print(seeds, System.out);
        BarOneTruth.print(seeds, System.out);
        RoomTruth.print(seeds, System.out);
    }
}
