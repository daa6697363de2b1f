package kilnryu.app.foresight;

/** What a look ahead told of a tree, and its cells to draw. */
record Outlook(Told told, FrozenCells cells) {}
