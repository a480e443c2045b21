package orbispace.app.view.song;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import orbispace.app.desk.SongModel;
import orbispace.app.view.control.Plate;
import orbispace.app.view.control.WhenSeen;
import orbispace.core.clear.LeadFinder;
import orbispace.core.design.Design;
import orbispace.core.design.Form;
import orbispace.core.design.Leads;
import orbispace.core.design.Section;
import orbispace.core.design.Source;

/** Who stands in front in the chosen section: set by hand, or proposed with what was heard. */
final class LeadCard extends VBox {
    private final SongModel model;
    private final MenuButton who = new MenuButton();
    private final Label evidence = FormPanel.caption("");
    private final Button take;

    LeadCard(SongModel model) {
        this.model = model;
        who.getStyleClass().add("kind-menu");
        who.getItems().add(new MenuItem(""));
        who.setOnShowing(e -> fill());
        take = Plate.button("Take all", model.leading()::take);
        take.setAccessibleText("take who is proposed to lead, in all sections");
        evidence.setWrapText(true);
        evidence.setMinHeight(Region.USE_PREF_SIZE);
        Button propose = Plate.button("Listen who leads", model.leading()::propose);
        getChildren().addAll(new FlowPane(8, 6, who, propose, take), evidence);
        setSpacing(4);
        WhenSeen seen = new WhenSeen(this, this::refresh);
        model.design().addListener((o, was, is) -> seen.run());
        model.selection().section().addListener((o, was, is) -> refresh());
        model.leading().proposed().addListener((o, was, is) -> refresh());
        refresh();
    }

    private int index() {
        Section chosen = model.selection().section().get();
        return chosen == null ? -1 : model.design().get().song().sections().indexOf(chosen);
    }

    private void fill() {
        Design design = model.design().get();
        who.getItems().clear();
        add("the song\u2019s lead", "");
        for (Source s : design.sources()) {
            if (design.layersOf(s).getFirst().equals(s)) {
                add(s.name(), s.id());
            }
        }
    }

    private void add(String words, String id) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(e -> {
            int index = index();
            if (index >= 0) {
                model.form().change("who leads", s -> Form.lead(s, index, id));
            }
        });
        who.getItems().add(item);
    }

    private void refresh() {
        Section section = model.selection().section().get();
        int index = index();
        Design design = model.design().get();
        if (section == null || index < 0) {
            return;
        }
        Optional<Source> lead = Leads.of(design, section);
        String name = lead.map(Source::name).orElse("nobody");
        who.setText(section.lead().isEmpty() ? name + ", by role" : name);
        who.setAccessibleText("who stands in front in this section: " + name);
        List<LeadFinder.Proposed> proposed = model.leading().proposed().get();
        take.setVisible(!proposed.isEmpty());
        take.setManaged(!proposed.isEmpty());
        evidence.setText(
                proposed.stream()
                        .filter(p -> p.section() == index)
                        .findFirst()
                        .map(LeadFinder.Proposed::why)
                        .orElse(proposed.isEmpty() ? "" : "Nothing in it may lead."));
    }
}
