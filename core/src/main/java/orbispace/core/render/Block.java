package orbispace.core.render;

/** A stretch of sound on its way through a chain: two channels and the key of a ducker. */
final class Block {
    final float[] left;
    final float[] right;
    float[] key;

    Block(float[] left, float[] right, float[] key) {
        this.left = left;
        this.right = right;
        this.key = key;
    }
}
