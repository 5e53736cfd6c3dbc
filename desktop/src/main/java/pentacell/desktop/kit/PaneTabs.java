package pentacell.desktop.kit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;

/// The panes of a station, one shown at a time: a row of tabs that says which, and how much waits
/// in each. A pane is made when it is first looked at, and scrolls where its place is too low.
public final class PaneTabs {
    private static final PseudoClass SHOWN = PseudoClass.getPseudoClass("shown");

    private final ControlRow row = ControlRow.tight();
    private final Consumer<String> onChosen;
    private final Map<String, Button> tabs = new LinkedHashMap<>();
    private final Map<String, Lazy<Node>> panes = new LinkedHashMap<>();
    private String shown = "";

    /// @param onChosen told the name of a pane when its tab is pressed
    public PaneTabs(Consumer<String> onChosen) {
        this.onChosen = onChosen;
        row.getStyleClass().add("pane-tabs");
    }

    /// Adds a pane behind those that are there.
    public PaneTabs add(String name, Supplier<? extends Node> maker) {
        Button tab = new Button(name);
        tab.setId("tab-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
        tab.getStyleClass().add("tray-button");
        tab.setOnAction(pressed -> onChosen.accept(name));
        tabs.put(name, tab);
        panes.put(name, new Lazy<>(() -> new Scrolled(maker.get())));
        row.getChildren().add(tab);
        return this;
    }

    /// The tabs.
    public Node row() {
        return row;
    }

    /// The names of the panes, in the order of their tabs.
    public List<String> names() {
        return List.copyOf(panes.keySet());
    }

    /// Marks a pane as the one shown.
    ///
    /// @return the pane
    /// @throws IllegalArgumentException when there is none of this name
    public Node show(String name) {
        Lazy<Node> pane = panes.get(name);
        if (pane == null) throw new IllegalArgumentException("no pane " + name);
        shown = name;
        tabs.forEach((each, tab) -> tab.pseudoClassStateChanged(SHOWN, each.equals(name)));
        return pane.get();
    }

    /// The name of the pane shown; empty before the first.
    public String shown() {
        return shown;
    }

    /// Says how much waits in a pane; nothing is said of zero.
    public void count(String name, int count) {
        Button tab = tabs.get(name);
        if (tab != null) tab.setText(count > 0 ? name + " " + count : name);
    }
}
