package palmtally.core.profile;

/** How competency grows. */
public record Growth(
        @Amount(
                id = "prior-mean",
                name = "Ability before anything is seen",
                group = Group.TRACKING,
                least = 0,
                most = 100,
                a = 45)
        double priorMean,

        @Amount(
                id = "prior-sd",
                name = "How far it may be from that",
                group = Group.TRACKING,
                least = 0,
                most = 100,
                above = true,
                a = 25)
        double priorSd,

        @Amount(
                id = "week-variance",
                name = "How much ability may wander in a week",
                group = Group.TRACKING,
                least = 0,
                most = 10000,
                a = 9)
        double variancePerWeek,

        @Amount(
                id = "score-variance",
                name = "How much one score may be off",
                group = Group.TRACKING,
                least = 0,
                most = 10000,
                above = true,
                a = 100)
        double scoreVariance,

        @Amount(
                id = "secure-from",
                name = "How likely at the cut it is before it is called secure",
                group = Group.TRACKING,
                unit = "%",
                least = 0,
                most = 1,
                a = 0.8)
        double secureProbability,

        @Amount(
                id = "fading-share",
                name = "Share of the latest in a fading mean",
                group = Group.TRACKING,
                unit = "%",
                least = 0,
                most = 1,
                above = true,
                a = 0.5,
                added = true)
        double fadingShare) {}
