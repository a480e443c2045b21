/**
 * Figures against truth: measures of sounds made by seeded synthesis whose answers are known, as
 * tables. Start at {@link orbispace.bench.truth.Truth}. Not part of the tests.
 */
@org.jspecify.annotations.NullMarked
package orbispace.bench.truth;
