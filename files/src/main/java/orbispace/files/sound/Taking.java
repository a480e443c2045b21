package orbispace.files.sound;

/** How the samples of a sound file are taken. */
enum Taking {
    /** Into memory, all or nothing. */
    WHOLE,

    /** Into memory, what is usable of a damaged file. */
    SALVAGED,

    /** Left in the file and read when they are wanted, if they lie there plainly. */
    IN_PLACE
}
