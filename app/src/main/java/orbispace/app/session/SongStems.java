package orbispace.app.session;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.collections.FXCollections;
import javafx.collections.ObservableMap;
import orbispace.core.audio.Audio;
import orbispace.core.design.Design;
import orbispace.core.design.Source;
import orbispace.core.render.Responses;
import orbispace.core.render.SongMaterial;
import orbispace.files.project.ContentOf;
import orbispace.files.project.ProjectFolder;
import orbispace.files.sound.StemFiles;

/** The sound of the open song's stems as their files have it, and what could not be read. */
public final class SongStems {
    private static final double NO_SONG_RATE_HZ = 48000;

    private final Map<String, StemFiles.Stem> byFile = new HashMap<>();
    private final ObservableMap<String, String> missing =
            FXCollections.observableMap(new LinkedHashMap<>());
    private List<Object> laid = List.of();
    private final Map<String, Responses.Recorded> recorded = new LinkedHashMap<>();
    private Responses responses = Responses.NONE;
    private SongMaterial material = new SongMaterial(Map.of(), NO_SONG_RATE_HZ);

    /** A line for each source whose file could not be read, by source id. */
    public ObservableMap<String, String> missing() {
        return missing;
    }

    /** Forgets everything and takes the stems of another song. */
    public void begin(Design design, ProjectFolder.Stems read) {
        byFile.clear();
        missing.clear();
        laid = List.of();
        recorded.clear();
        recorded.putAll(read.responses().responses());
        responses = new Responses(recorded);
        take(design, read);
        lay(design);
    }

    /** Takes an impulse response by the file that a design names. */
    public void takeResponse(String file, Responses.Recorded response) {
        recorded.put(file, response);
        responses = new Responses(recorded);
    }

    /** Takes stems that were read of some sources, before or after they join the song. */
    public void takeFiles(List<Source> sources, ProjectFolder.Stems read) {
        for (Source source : sources) {
            StemFiles.Stem stem = read.stems().get(source.id());
            if (stem != null) {
                byFile.put(source.file(), stem);
                missing.remove(source.id());
            }
        }
    }

    /** Takes what was read of sources of the open song, and what could not be. */
    public void take(Design design, ProjectFolder.Stems read) {
        takeFiles(design.sources(), read);
        for (Source source : design.sources()) {
            String problem = read.problems().get(source.id());
            if (problem != null) {
                missing.put(source.id(), problem);
            }
        }
        missing.keySet().removeIf(id -> design.findSource(id).isEmpty());
    }

    /** What was read of a source's file. */
    public Optional<StemFiles.Stem> of(Source source) {
        return Optional.ofNullable(byFile.get(source.file()));
    }

    /** What each stem that was read by now holds. */
    public ContentOf content() {
        Map<String, StemFiles.Stem> now = Map.copyOf(byFile);
        return s -> {
            StemFiles.Stem stem = now.get(s.file());
            return stem == null ? "?" : stem.content();
        };
    }

    /** Sources whose file was neither read nor found missing. */
    public List<Source> unread(Design design) {
        return design.sources().stream()
                .filter(s -> of(s).isEmpty() && !missing.containsKey(s.id()))
                .toList();
    }

    /** Looks again for a source's file the next time. */
    public void forgetMissing(Source source) {
        missing.remove(source.id());
    }

    /** The stems as the design laid them last. */
    public SongMaterial material() {
        return material;
    }

    /** The same, if there is any sound. */
    public Optional<SongMaterial> sound() {
        return material.frames() == 0 ? Optional.empty() : Optional.of(material);
    }

    /** How long they are as they are laid. */
    public double seconds() {
        return material.frames() / material.sampleRateHz();
    }

    /**
     * Lays the stems as a design has them.
     *
     * @return whether that was otherwise than before
     */
    public boolean lay(Design design) {
        List<Object> wanted = wanted(design);
        if (laid.equals(wanted)) {
            return false;
        }
        laid = wanted;
        Map<String, Audio> audio = new LinkedHashMap<>();
        design.sources().forEach(s -> of(s).ifPresent(stem -> audio.put(s.id(), stem.audio())));
        material = ProjectFolder.placed(design, audio, responses);
        return true;
    }

    private List<Object> wanted(Design design) {
        List<Object> lay = new ArrayList<>();
        lay.add(responses);
        for (Source s : design.sources()) {
            lay.add(List.of(s.id(), s.file(), s.placement(), s.tone(), of(s).isPresent()));
        }
        return lay;
    }
}
