/**
 * Returns and fields kept as what they mean in a song, and laid on others: {@link
 * orbispace.core.bank.Keeping} turns a return into {@link orbispace.core.bank.Relations}, {@link
 * orbispace.core.bank.Laying} turns those into numbers of another song and says what that song
 * forced to differ, {@link orbispace.core.bank.Manner} learns what an engineer usually does. Knows
 * designs and what was measured of stems; renders nothing and knows no files.
 */
@NullMarked
package orbispace.core.bank;

import org.jspecify.annotations.NullMarked;
