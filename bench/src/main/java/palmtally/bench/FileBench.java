package palmtally.bench;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipInputStream;
import org.apache.commons.csv.CSVFormat;
import org.dhatim.fastexcel.Workbook;
import palmtally.formats.Json;
import palmtally.server.ServerProcess;
import palmtally.server.TestDatabase;
import palmtally.server.Visitor;

/**
 * How long what goes into the file and comes from elsewhere takes: a hundred statements of results issued and printed, a year of marks of
 * 5,000 rows seen before it is taken over, a school of 1,000 students exported and imported. Beside them, in the same run, what is used
 * instead: a headless spreadsheet that opens the same marks, and PostgreSQL's own dump and restore, which nobody can read. And whether
 * that spreadsheet reads what we write, cell by cell.
 */
public final class FileBench {
    private static final int STATEMENTS = 100;
    private static final int STUDENTS = 1000;
    private static final int ROWS = 5000;
    private static final List<String> CRITERIA =
            List.of("Draping (max 20)", "Body mechanics", "Stroke order", "Pressure", "Client talk");
    private static final Path OFFICE = Path.of("/usr/bin/soffice");

    private FileBench() {}

    /** @param words folder of pg_dump and pg_restore */
    public static void main(String[] words) throws Exception {
        var folder = Files.createTempDirectory("file-bench");
        try (var database = TestDatabase.fresh()) {
            try (var app = ServerProcess.start(
                    database, ServerProcess.freePort(), Path.of("target", "server.log"), ServerProcess.AS_SERVED)) {
                Cohort.grow(database, STATEMENTS);
                var nadia = Visitor.as(app.url(), "nadia");
                statements(nadia);
                previews(nadia, folder);
                readsOurs(nadia, folder);
                Cohort.grow(database, STUDENTS);
            }
            school(database, folder, Path.of(words[0]));
        }
    }

    private static void statements(Visitor nadia) throws IOException {
        var term = nadia.term();
        var students = new ArrayList<String>();
        for (var p : nadia.get("/api/terms/" + term + "/people").json())
            if (p.get("role").asString().equals("student"))
                students.add(p.get("id").asString());
        if (students.size() != STATEMENTS) throw new IllegalStateException(students.size() + " students");
        long start = System.nanoTime();
        for (var s : students) {
            var made = nadia.post("/api/terms/" + term + "/statements/" + s, "");
            if (made.status() != 201) throw new IllegalStateException(made.text());
        }
        double issued = since(start);
        start = System.nanoTime();
        int papers = 0;
        try (var zip = new ZipInputStream(
                new ByteArrayInputStream(nadia.bytes("/api/terms/" + term + "/statements/files?kind=results")))) {
            while (zip.getNextEntry() != null) {
                if (!new String(zip.readNBytes(5), StandardCharsets.US_ASCII).equals("%PDF-"))
                    throw new IllegalStateException("no PDF");
                papers++;
            }
        }
        double printed = since(start);
        if (papers != STATEMENTS) throw new IllegalStateException(papers + " papers");
        report("100 statements of results issued, one by one", issued);
        report("and printed as 100 tagged PDFs in one file", printed);
    }

    private static void previews(Visitor nadia, Path folder) throws Exception {
        var rows = marks(nadia);
        var csv = new StringBuilder();
        var bytes = new ByteArrayOutputStream();
        try (var book = new Workbook(bytes, "bench", "1.0")) {
            var sheet = book.newWorksheet("year");
            for (int r = 0; r < rows.size(); r++) {
                csv.append(String.join(";", rows.get(r))).append("\r\n");
                for (int c = 0; c < rows.get(r).size(); c++)
                    sheet.value(r, c, rows.get(r).get(c));
            }
        }
        var files =
                Map.of("year.csv", csv.toString().getBytes(StandardCharsets.UTF_8), "year.xlsx", bytes.toByteArray());
        for (var name : List.of("year.csv", "year.xlsx")) {
            var body = Json.MAPPER.writeValueAsString(
                    Map.of("fileName", name, "file", Base64.getEncoder().encodeToString(files.get(name))));
            var times = new ArrayList<Double>();
            for (int i = 0; i < 6; i++) {
                long start = System.nanoTime();
                var seen = nadia.post("/api/terms/" + nadia.term() + "/earlier-marks/preview", body);
                times.add(since(start));
                if (seen.status() != 200 || seen.json().get("marks").asInt() != ROWS * CRITERIA.size())
                    throw new IllegalStateException(
                            seen.text().substring(0, Math.min(400, seen.text().length())));
            }
            report("5,000 rows of marks seen before they are taken, " + name + ", the first", times.get(0));
            report("  the median of five more", median(times.subList(1, 6)));
        }
        if (!Files.exists(OFFICE)) return;
        Files.write(folder.resolve("year.xlsx"), files.get("year.xlsx"));
        long start = System.nanoTime();
        convert(folder, folder.resolve("year.xlsx"), "csv");
        report("  beside it: a headless spreadsheet opens and writes the same", since(start));
    }

    /** A head, and a row a student and day, with marks as they are written: decimal commas, letters, blanks of none. */
    private static List<List<String>> marks(Visitor nadia) {
        var random = new Random(24);
        var names = new ArrayList<String>();
        for (var p : nadia.get("/api/terms/" + nadia.term() + "/people").json())
            if (p.get("role").asString().equals("student"))
                names.add(p.get("name").asString());
        var rows = new ArrayList<List<String>>();
        var head = new ArrayList<>(List.of("Student", "Date", "Region"));
        head.addAll(CRITERIA);
        rows.add(head);
        for (int r = 0; r < ROWS; r++) {
            var row = new ArrayList<>(List.of(
                    names.get(r % names.size()),
                    "%d.%d.2025".formatted(1 + r / names.size() % 28, 1 + r / names.size() / 28),
                    List.of("Low back", "Neck", "Feet", "Calves").get(r % 4)));
            row.add("%.1f".formatted(20 * random.nextDouble()).replace('.', ','));
            row.add(String.valueOf("ABCDF".charAt(random.nextInt(5))));
            for (int c = 2; c < CRITERIA.size(); c++) row.add(String.valueOf(40 + random.nextInt(61)));
            rows.add(row);
        }
        return rows;
    }

    /** Whether a spreadsheet reads our workbook of a term's marks as what our CSV says. */
    private static void readsOurs(Visitor nadia, Path folder) throws Exception {
        if (!Files.exists(OFFICE)) {
            System.out.println("no spreadsheet here: apt-get install libreoffice-calc-nogui, then again");
            return;
        }
        var of = "/api/terms/" + nadia.term() + "/marks.";
        var book = Files.write(folder.resolve("marks.xlsx"), nadia.bytes(of + "xlsx"));
        convert(folder, book, "csv");
        var ours = rows(new String(nadia.bytes(of + "csv"), StandardCharsets.UTF_8));
        var theirs = rows(Files.readString(folder.resolve("marks.csv")));
        int same = 0;
        var others = new HashMap<String, String>();
        for (int r = 0; r < Math.max(ours.size(), theirs.size()); r++)
            for (int c = 0; c < ours.get(r).size(); c++) {
                var mine = ours.get(r).get(c);
                var said = theirs.get(r).get(c);
                if (alike(mine, said)) same++;
                else others.put(mine, said);
            }
        if (!others.isEmpty()) throw new IllegalStateException("read otherwise: " + others);
        System.out.printf(
                Locale.ROOT, "%-62s %,8d%n", "cells of our workbook that a spreadsheet reads as our CSV", same);
    }

    private static boolean alike(String a, String b) {
        if (a.replaceFirst("^\uFEFF", "").equals(b)) return true;
        try {
            return Math.abs(Double.parseDouble(a) - Double.parseDouble(b)) < 1e-9;
        } catch (NumberFormatException e) {
            return false;
        }
    }

    private static List<List<String>> rows(String csv) throws IOException {
        try (var parser = CSVFormat.RFC4180.parse(new java.io.StringReader(csv))) {
            return parser.stream().map(r -> r.toList()).toList();
        }
    }

    /** The first sheet as a CSV of full precision beside the file. */
    private static void convert(Path folder, Path file, String to) throws IOException, InterruptedException {
        run(
                folder,
                Map.of(),
                OFFICE.toString(),
                "-env:UserInstallation=file://" + folder.resolve("profile"),
                "--headless",
                "--convert-to",
                to + ":Text - txt - csv (StarCalc):44,34,76,1,,0,false,false,false",
                "--outdir",
                folder.toString(),
                file.toString());
    }

    private static void school(TestDatabase school, Path folder, Path programs) throws Exception {
        var out = folder.resolve("school");
        System.out.printf(
                Locale.ROOT,
                "%-62s %,8d%n%-62s %,8d%n",
                "students",
                school.count("select count(*) from account where role = 'student'"),
                "taps",
                school.count("select count(*) from event"));
        report("school of 1,000 students exported as open files", command(folder, school, "export", out.toString()));
        try (var other = TestDatabase.fresh()) {
            report("and imported, every row compared", command(folder, other, "import", out.toString()));
            if (other.count("select count(*) from event") != school.count("select count(*) from event"))
                throw new IllegalStateException("not all taps came in");
        }
        if (!Files.exists(programs.resolve("pg_dump"))) return;
        var url = school.url().replaceFirst("^jdbc:", "").replaceFirst("//", "//" + school.user() + "@");
        var word = Map.of("PGPASSWORD", school.password());
        var dump = folder.resolve("school.dump").toString();
        long start = System.nanoTime();
        run(folder, word, programs.resolve("pg_dump").toString(), "-Fc", "-f", dump, url);
        report("  beside it: dumped by the database’s own program", since(start));
        try (var other = TestDatabase.fresh()) {
            var into = other.url().replaceFirst("^jdbc:", "").replaceFirst("//", "//" + other.user() + "@");
            start = System.nanoTime();
            run(folder, word, programs.resolve("pg_restore").toString(), "--no-owner", "-d", into, dump);
            report("  and restored", since(start));
        }
    }

    private static double command(Path folder, TestDatabase database, String... words)
            throws IOException, InterruptedException {
        var all = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-cp",
                System.getProperty("java.class.path"),
                "palmtally.server.backup.BackupCommand"));
        all.addAll(List.of(words));
        long start = System.nanoTime();
        run(
                Path.of("").toAbsolutePath(),
                Map.of("DB_URL", database.url(), "DB_USER", database.user(), "DB_PASSWORD", database.password()),
                all.toArray(String[]::new));
        return since(start);
    }

    private static void run(Path at, Map<String, String> settings, String... words)
            throws IOException, InterruptedException {
        var builder = new ProcessBuilder(words).directory(at.toFile()).redirectErrorStream(true);
        builder.environment().putAll(settings);
        var process = builder.start();
        var said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        if (process.waitFor() != 0) throw new IllegalStateException(said);
    }

    private static double since(long start) {
        return (System.nanoTime() - start) / 1e6;
    }

    private static void report(String what, double ms) {
        System.out.printf(Locale.ROOT, "%-62s %8.0f ms%n", what, ms);
    }

    private static double median(List<Double> values) {
        return values.stream().sorted().toList().get(values.size() / 2);
    }
}
