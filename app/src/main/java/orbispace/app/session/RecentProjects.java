package orbispace.app.session;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.prefs.Preferences;

/** The projects opened last, newest first, and small things to be known at the next start. */
public interface RecentProjects {
    /** The projects, newest first. */
    List<Path> list();

    /** Puts a project first. */
    void add(Path project);

    /** What was remembered under a key; empty for nothing. */
    String recall(String key);

    /** Remembers a line under a key. */
    void remember(String key, String line);

    /** Remembers nothing beyond this run. */
    static RecentProjects inMemory() {
        List<Path> projects = new ArrayList<>();
        Map<String, String> lines = new HashMap<>();
        return new RecentProjects() {
            @Override
            public String recall(String key) {
                return lines.getOrDefault(key, "");
            }

            @Override
            public void remember(String key, String line) {
                lines.put(key, line);
            }

            @Override
            public List<Path> list() {
                return List.copyOf(projects);
            }

            @Override
            public void add(Path project) {
                projects.remove(project);
                projects.addFirst(project);
            }
        };
    }

    /** Remembers in the user's preferences. */
    static RecentProjects inPreferences(Preferences preferences) {
        return new RecentProjects() {
            private static final String KEY = "recent";
            private static final int MOST = 8;

            @Override
            public String recall(String key) {
                return preferences.get(key, "");
            }

            @Override
            public void remember(String key, String line) {
                preferences.put(key, line);
            }

            @Override
            public List<Path> list() {
                return preferences
                        .get(KEY, "")
                        .lines()
                        .filter(l -> !l.isBlank())
                        .map(Path::of)
                        .toList();
            }

            @Override
            public void add(Path project) {
                List<Path> all = new ArrayList<>(list());
                all.remove(project);
                all.addFirst(project);
                String text =
                        String.join("\n", all.stream().limit(MOST).map(Path::toString).toList());
                if (text.length() < Preferences.MAX_VALUE_LENGTH) {
                    preferences.put(KEY, text);
                }
            }
        };
    }
}
