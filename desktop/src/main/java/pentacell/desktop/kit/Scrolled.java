package pentacell.desktop.kit;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.skin.ScrollPaneSkin;
import javafx.scene.input.KeyEvent;

/// Content as wide as its place and at least as high; where the place is lower than the content can
/// take, it scrolls, by wheel or with Page Up and Page Down.
public final class Scrolled extends ScrollPane {
    public Scrolled(Node content) {
        super(content);
        getStyleClass().add("scrolled");
        setFitToWidth(true);
        setFitToHeight(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFocusTraversable(false);
        addEventHandler(KeyEvent.KEY_PRESSED, this::onKey);
        // without it the content would join the window a pulse later, and could not take the caret
        setSkin(new ScrollPaneSkin(this));
        // its skin caches a picture of the content: megabytes per window, redrawn with every change
        lookupAll(".viewport").forEach(viewport -> viewport.setCache(false));
    }

    private void onKey(KeyEvent key) {
        int pages =
                switch (key.getCode()) {
                    case PAGE_UP -> -1;
                    case PAGE_DOWN -> 1;
                    default -> 0;
                };
        double hidden =
                getContent().getLayoutBounds().getHeight() - getViewportBounds().getHeight();
        if (pages == 0 || hidden <= 0) return;
        setVvalue(Math.clamp(getVvalue() + pages * getViewportBounds().getHeight() / hidden, 0, 1));
        key.consume();
    }

    /// What it holds takes the caret; pressed beside that, the caret stays where it is.
    @Override
    public void requestFocus() {}
}
