package palmtally.core.profile;

/** How a term is laid out. */
public record Terms(
        @Amount(
                id = "meetings",
                name = "How often a region comes back in a term, at least",
                group = Group.TERM,
                least = 0,
                most = 20,
                a = 3,
                b = 2,
                moves = "TERM-AGAIN",
                added = true)
        int meetings,

        @Amount(
                id = "clean-drapes",
                name = "Lessons with a draped leg before the gluteals",
                group = Group.TERM,
                least = 0,
                most = 20,
                a = 3,
                moves = "TERM-PREREQ/gluteal-after-drapes",
                added = true)
        int cleanDrapes,

        @Amount(
                id = "gap-growth",
                name = "How much longer each gap between meetings is",
                group = Group.TERM,
                unit = "times",
                least = 1,
                most = 4,
                a = 1.2,
                b = 1,
                moves = "TERM-AGAIN",
                added = true)
        double gapGrowth,

        @Amount(
                id = "longest-gap",
                name = "Longest time without meeting a region",
                group = Group.TERM,
                unit = "weeks",
                least = 0,
                most = 60,
                above = true,
                a = 5,
                b = 6,
                moves = "TERM-AGAIN",
                added = true)
        double longestGapWeeks) {}
