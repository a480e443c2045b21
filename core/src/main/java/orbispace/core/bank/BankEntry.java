package orbispace.core.bank;

import java.util.List;

/**
 * A return or a whole field in a bank.
 *
 * @param name what it is asked for by
 * @param from where it comes from, in words
 * @param returns its returns, in the order of their letters
 */
public record BankEntry(String name, String from, List<Relations> returns) {
    /** Keeps its own list. */
    public BankEntry {
        if (name.isBlank()) {
            throw new IllegalArgumentException("an entry of a bank has no name");
        }
        returns = List.copyOf(returns);
    }

    /** Whether it is a field of several returns. */
    public boolean isField() {
        return returns.size() > 1;
    }
}
