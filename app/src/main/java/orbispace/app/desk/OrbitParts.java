package orbispace.app.desk;

import java.util.List;
import orbispace.app.measuring.Drafting;
import orbispace.app.session.OfSong;
import orbispace.files.project.FactsCache;

/**
 * What works on the returns of a song beside the editing of one.
 *
 * @param settling questions that are settled by subtracting
 * @param depths how far back sources stand
 * @param drafting whole fields from the material
 * @param bench candidates for one return
 * @param bank returns and fields kept as relations
 */
record OrbitParts(
        Settling settling, Depths depths, Drafting drafting, Benching bench, Banking bank) {
    /** The parts of the song that is open. */
    static OrbitParts of(OpenSong song, FactsCache facts) {
        Drafting drafting =
                new Drafting(song.editor(), song.selection(), song.jobs(), song.measured());
        Benching bench =
                new Benching(
                        song.editor(), song.stretch(), song.jobs(), song.measured(), song.log());
        return new OrbitParts(
                new Settling(song.editor(), song.jobs(), song.measured(), song.pair()),
                new Depths(
                        song.editor(), song.jobs(), song.stems(), song.stretch(), song.measured()),
                drafting,
                bench,
                new Banking(song.editor(), song.jobs(), song.measured(), drafting, bench, facts));
    }

    /** All of them, as they begin with a song. */
    List<OfSong> all() {
        return List.of(settling, depths, drafting, bench, bank);
    }
}
