package kilnryu.app.piece;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Merge;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.sheet.SheetStore;
import kilnryu.app.sheet.Unsaved;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.web.ListPage;
import kilnryu.app.web.Show;
import kilnryu.app.web.Verdict;
import kilnryu.core.piece.Equipment;
import kilnryu.core.sum.Factors;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The pages of pieces; number 0 is a piece that is not saved yet. */
@Controller
class PieceController {
    private static final String STAGE = "piece";
    private static final int LONGEST_DRAFT = 60_000;

    private final PieceStore pieces;
    private final MeshStore meshes;
    private final PhotoStore photos;
    private final SheetStore sheets;
    private final EquipmentStore equipment;
    private final FactorStore factors;
    private final TreeStore trees;
    private final PieceParts parts;
    private final Clock clock;

    PieceController(
            PieceStore pieces,
            MeshStore meshes,
            PhotoStore photos,
            SheetStore sheets,
            EquipmentStore equipment,
            FactorStore factors,
            TreeStore trees,
            PieceParts parts,
            Clock clock) {
        this.pieces = pieces;
        this.meshes = meshes;
        this.photos = photos;
        this.sheets = sheets;
        this.equipment = equipment;
        this.factors = factors;
        this.clock = clock;
        this.trees = trees;
        this.parts = parts;
    }

    /** A form being looked at: which piece, what is typed, and from which version. */
    private record Sight(long piece, Map<String, String> typed, int version, boolean showErrors, String page) {
        SheetStore.DraftOf draft(Account account) {
            return new SheetStore.DraftOf(account.id(), piece, STAGE, page);
        }
    }

    @GetMapping("/pieces")
    String list(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "false") boolean archived,
            @RequestParam(defaultValue = "1") String page,
            Model model) {
        String search = q.length() > 120 ? q.substring(0, 120) : q.replace("\u0000", "");
        Surroundings around = around(account);
        Map<Long, MeshStore.Row> shapes = meshes.newest(account.studioId());
        ListPage<PieceStore.Row> list =
                ListPage.asked(page, span -> pieces.list(account.studioId(), archived, search, span));
        List<PieceStore.Row> rows = list.rows();
        model.addAttribute("list", list);
        Map<Long, Long> photo = photos.firstOfPieces(account.studioId());
        Map<Long, String> faces = parts.faces(
                account,
                rows.stream()
                        .map(r -> shapes.get(r.id()))
                        .filter(Objects::nonNull)
                        .toList());
        Map<Long, TreeStore.OnTrees> hang = trees.ofPieces(
                account.studioId(), rows.stream().map(PieceStore.Row::id).toList());
        List<PieceLine> lines = rows.stream()
                .map(row -> PieceLine.of(
                        row,
                        around.read(
                                Fields.typed(row.fields(), account.units()), Optional.ofNullable(shapes.get(row.id()))),
                        account,
                        face(photo.get(row.id()), shapes.get(row.id()), faces),
                        stands(hang.get(row.id()))))
                .toList();
        model.addAttribute("lines", lines);
        model.addAttribute("q", search);
        model.addAttribute("archived", archived);
        return "piece/pieces";
    }

    private static PieceLine.Face face(Long photo, MeshStore.Row shape, Map<Long, String> faces) {
        return new PieceLine.Face(
                photo, photo != null ? "" : PieceFace.drawn(shape == null ? null : faces.get(shape.id())));
    }

    private static PieceLine.Stands stands(TreeStore.OnTrees on) {
        if (on == null) {
            return PieceLine.Stands.NOWHERE;
        }
        TreeStore.Stand stand = on.furthest().stand();
        String more = on.count() == 1 ? "" : ", " + (on.count() - 1) + (on.count() == 2 ? " tree more" : " trees more");
        String address = stand.address().isEmpty() ? "/trees/" + on.furthest().id() + "/tree" : stand.address();
        return new PieceLine.Stands(stand.words() + more, address, on.mark());
    }

    @GetMapping("/pieces/new")
    String begin(@AuthenticationPrincipal Account account, @RequestParam(defaultValue = "") String draft, Model model) {
        SheetStore.DraftOf of = new SheetStore.DraftOf(account.id(), 0, STAGE, shortened(draft));
        Optional<SheetStore.Draft> begun = draft.isEmpty() ? Optional.empty() : sheets.draft(of);
        if (begun.isPresent()) {
            model.addAttribute("draftFrom", hour(account, begun.get().at()));
            return page(account, new Sight(0, begun.get().fields(), 0, false, of.page()), model);
        }
        Unsaved.into(model, sheets.unfinished(account.id(), STAGE), at -> hour(account, at));
        return open(account, 0, model);
    }

    @GetMapping("/pieces/{id}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        return open(account, id, model);
    }

    private String open(Account account, long id, Model model) {
        Optional<PieceStore.Row> row = present(account, id);
        Optional<SheetStore.Draft> draft = sheets.draft(account.id(), id, STAGE);
        draft.ifPresent(d -> model.addAttribute("draftFrom", hour(account, d.at())));
        Map<String, String> saved = row.map(PieceStore.Row::fields).orElse(Map.of("name", "", "count", "1"));
        Sight sight = draft.map(d -> new Sight(id, d.fields(), d.baseVersion(), false, newPage()))
                .orElseGet(() ->
                        new Sight(id, saved, row.map(PieceStore.Row::version).orElse(0), false, newPage()));
        return page(account, sight, model);
    }

    /** What follows from what is typed, as it is typed; keeps it as a draft. */
    @PostMapping("/pieces/{id}/try")
    String tryOut(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        present(account, id);
        Sight sight = sight(id, form, false);
        if (sight.typed.values().stream().mapToInt(String::length).sum() < LONGEST_DRAFT) {
            sheets.keepDraft(sight.draft(account), sight.version, sight.typed);
        }
        fill(account, sight, model);
        return "piece/answer :: fresh";
    }

    @PostMapping("/pieces/{id}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        present(account, id);
        Sight sight = sight(id, form, true);
        Fields fields = Fields.typed(sight.typed, account.units());
        around(account).read(fields, meshOf(account, id));
        if (fields.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, sight, model);
        }
        Optional<Long> saved = pieces.save(account.studioId(), id, sight.version, fields.written(), account.id());
        if (saved.isEmpty()) {
            response.setStatus(HttpStatus.CONFLICT.value());
            return page(account, merged(account, sight, model), model);
        }
        sheets.closeDraft(sight.draft(account));
        return "redirect:/pieces/" + saved.get() + "?saved";
    }

    @PostMapping("/pieces/{id}/discard")
    String discard(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String page) {
        present(account, id);
        sheets.closeDraft(new SheetStore.DraftOf(account.id(), id, STAGE, shortened(page)));
        return id == 0 ? "redirect:/pieces" : "redirect:/pieces/" + id;
    }

    @PostMapping("/pieces/{id}/{away:archive|restore}")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String away) {
        if (!pieces.archive(account.studioId(), id, away.equals("archive"))) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return away.equals("archive") ? "redirect:/pieces?away=" + id : "redirect:/pieces/" + id;
    }

    private Optional<PieceStore.Row> present(Account account, long id) {
        if (id == 0) {
            return Optional.empty();
        }
        return Optional.of(pieces.find(account.studioId(), id)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND)));
    }

    private static Sight sight(long id, Map<String, String> form, boolean showErrors) {
        Map<String, String> typed = new LinkedHashMap<>(form);
        typed.remove("_csrf");
        String version = typed.remove("version");
        String page = typed.remove("page");
        try {
            int base = version == null ? 0 : Integer.parseInt(version);
            return new Sight(id, typed, base, showErrors, shortened(page == null ? "" : page));
        } catch (NumberFormatException e) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "the version is not a number", e);
        }
    }

    /** Someone saved in between: their changes where I made none, mine where both did, and all of it said. */
    private Sight merged(Account account, Sight mine, Model model) {
        List<PieceStore.Revision> own = pieces.since(mine.piece, mine.version);
        // a version that never was is no base: all that is saved counts as theirs
        List<PieceStore.Revision> since = own.isEmpty() ? pieces.since(mine.piece, 0) : own;
        if (since.isEmpty()) {
            return new Sight(mine.piece, mine.typed, 0, true, newPage());
        }
        Map<String, String> base =
                own.isEmpty() || mine.version == 0 ? Map.of() : since.get(0).fields();
        PieceStore.Revision last = since.get(since.size() - 1);
        Merge merge = Merge.of(base, mine.typed, last.fields());
        model.addAttribute(
                "conflictBy",
                since.stream()
                        .filter(r -> r.version() > mine.version)
                        .map(r -> r.by() + " at " + Show.dayAndClock(r.at().atZone(account.zoneId())))
                        .collect(Collectors.joining(", ")));
        model.addAttribute("conflict", merge.changes());
        Sight merged = new Sight(mine.piece, merge.fields(), last.version(), true, newPage());
        sheets.keepDraft(merged.draft(account), merged.version, merged.typed);
        return merged;
    }

    private Optional<MeshStore.Row> meshOf(Account account, long id) {
        return id == 0 ? Optional.empty() : meshes.ofPiece(account.studioId(), id);
    }

    /** What a piece is held against. */
    private record Surroundings(Equipment equipment, Factors factors, LocalDate today) {
        PieceReader.Piece read(Fields fields, Optional<MeshStore.Row> mesh) {
            return PieceReader.read(
                    fields,
                    mesh.filter(m -> m.state().equals("measured")).map(MeshStore.Row::summary),
                    equipment,
                    factors,
                    today);
        }
    }

    private Surroundings around(Account account) {
        return new Surroundings(
                EquipmentReader.saved(equipment.of(account.studioId()).fields()),
                factors.of(account.studioId()),
                LocalDate.ofInstant(clock.instant(), account.zoneId()));
    }

    private String page(Account account, Sight sight, Model model) {
        fill(account, sight, model);
        silhouette(account, sight, model);
        model.addAttribute("photos", sight.piece == 0 ? List.of() : photos.of(account.studioId(), sight.piece));
        return "piece/piece";
    }

    private void silhouette(Account account, Sight sight, Model model) {
        PiecePage page = (PiecePage) model.getAttribute("piece");
        Optional<MeshStore.Row> mesh =
                meshOf(account, sight.piece).filter(m -> m.state().equals("measured"));
        if (page == null || mesh.isEmpty()) {
            return;
        }
        try (InputStream view = meshes.open(mesh.get().id(), "view")) {
            model.addAttribute(
                    "piece",
                    page.withSilhouette(SilhouetteDrawing.of(
                            view, MeshSummary.side(mesh.get().up()), page.marks())));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void fill(Account account, Sight sight, Model model) {
        Fields fields = Fields.typed(sight.typed, account.units());
        Optional<MeshStore.Row> mesh = meshOf(account, sight.piece);
        PieceReader.Piece piece = around(account).read(fields, mesh);
        PiecePage page = PiecePage.of(piece, mesh, account.units());
        model.addAttribute("piece", page);
        model.addAttribute(
                "verdict",
                Verdict.over(piece.findings().all(), page.unjudged(), account.units(), remedies(sight.piece, mesh)));
        model.addAttribute("form", new SheetForm(fields, sight.typed, sight.showErrors, PieceFields.ALL));
        model.addAttribute("id", sight.piece);
        model.addAttribute("version", sight.version);
        model.addAttribute("pageView", sight.page);
        model.addAttribute("name", piece.name().isEmpty() ? "New piece" : piece.name());
    }

    private static List<Verdict.Remedy> remedies(long id, Optional<MeshStore.Row> mesh) {
        return id == 0 || mesh.isPresent()
                ? List.of()
                : List.of(Verdict.Remedy.link("Give it a mesh", "/pieces/" + id + "#mesh-file"));
    }

    private static String hour(Account account, Instant at) {
        return Show.dayAndClock(at.atZone(account.zoneId()));
    }

    private static String newPage() {
        return UUID.randomUUID().toString();
    }

    private static String shortened(String page) {
        return page.length() > 40 ? page.substring(0, 40) : page;
    }
}
