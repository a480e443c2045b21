/** Speed, measured: engines in {@link orbispace.bench.EngineBenchmark}. Not part of the tests. */
@org.jspecify.annotations.NullMarked
package orbispace.bench;
