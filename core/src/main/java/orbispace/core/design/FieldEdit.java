package orbispace.core.design;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** A change of which returns there are and in which order. */
public sealed interface FieldEdit extends Edit {
    /** The letters that returns may have. */
    String LETTERS = "ABCDEFGHIJKLMNOP";

    /** A new return at a place. */
    record Add(Return added, int index) implements FieldEdit {}

    /** A return taken away, with its feeds into others. */
    record Remove(String returnId) implements FieldEdit {}

    /** A return at another place of the order. */
    record Move(String returnId, int index) implements FieldEdit {}

    /** A whole other field, with what is said of its returns' purposes. */
    record Adopt(List<Return> returns, String name, Map<String, Purpose> purposes)
            implements FieldEdit {
        /** Keeps its own collections. */
        public Adopt {
            returns = List.copyOf(returns);
            purposes = Map.copyOf(purposes);
        }

        /** A field of which every return is for what it was for. */
        public Adopt(List<Return> returns, String name) {
            this(returns, name, Map.of());
        }
    }

    @Override
    default Design applyTo(Design design) {
        List<Return> returns = new ArrayList<>(design.returns());
        switch (this) {
            case Add(Return added, int index) -> {
                if (returns.size() >= LETTERS.length()) {
                    throw new IllegalArgumentException(
                            "a field has at most " + LETTERS.length() + " returns");
                }
                returns.add(Math.clamp(index, 0, returns.size()), added);
            }
            case Remove(String id) -> {
                returns.remove(design.requireReturn(id));
                returns.replaceAll(r -> without(r, id));
            }
            case Move(String id, int index) -> {
                Return moved = design.requireReturn(id);
                returns.remove(moved);
                returns.add(Math.clamp(index, 0, returns.size()), moved);
            }
            case Adopt(List<Return> others, String name, Map<String, Purpose> purposes) -> {
                returns.clear();
                returns.addAll(others);
                Design adopted = design.withReturns(returns);
                return adopted.withAims(adopted.aims().purposed(purposes));
            }
        }
        return design.withReturns(returns);
    }

    @Override
    default String subject() {
        return switch (this) {
            case Add e -> "new return " + e.added.id();
            case Remove e -> "return " + e.returnId + " removed";
            case Move e -> "order of " + e.returnId;
            case Adopt e -> "field \"" + e.name + "\"";
        };
    }

    /** The first letter that no return has; empty if all are taken. */
    static java.util.Optional<String> freeLetter(Design design) {
        return LETTERS.chars()
                .mapToObj(Character::toString)
                .filter(id -> design.findReturn(id).isEmpty())
                .findFirst();
    }

    private static Return without(Return r, String fed) {
        Map<String, Double> feeds = new TreeMap<>(r.feeds());
        feeds.remove(fed);
        return r.withFeeds(feeds);
    }
}
