using FondCompass.Core.Measures;
using FondCompass.Core.Teaching.Planning;
using FondCompass.Data.Records;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace FondCompass.Data;

/// <summary>The database. Nothing here computes; see the core for that.</summary>
public sealed class FondCompassContext(DbContextOptions<FondCompassContext> options)
    : IdentityDbContext<Instructor, IdentityRole<Guid>, Guid>(options)
{
    /// <summary>The keys that sign cookies and letters, the same for every instance.</summary>
    public DbSet<SigningKey> SigningKeys => Set<SigningKey>();

    public DbSet<AccountEvent> AccountEvents => Set<AccountEvent>();

    public DbSet<SessionRecord> Sessions => Set<SessionRecord>();

    public DbSet<DanceRecord> Dances => Set<DanceRecord>();

    public DbSet<DanceRevision> Revisions => Set<DanceRevision>();

    public DbSet<WordsRecord> Words => Set<WordsRecord>();

    public DbSet<TrackRecord> Tracks => Set<TrackRecord>();

    public DbSet<KeptFit> KeptFits => Set<KeptFit>();

    public DbSet<GroupRecord> Groups => Set<GroupRecord>();

    public DbSet<ClassCuesRecord> ClassCues => Set<ClassCuesRecord>();

    public DbSet<CourseRecord> Courses => Set<CourseRecord>();

    public DbSet<LessonRecord> Lessons => Set<LessonRecord>();

    public DbSet<LessonEventRecord> LessonEvents => Set<LessonEventRecord>();

    public DbSet<PlanDraft> PlanDrafts => Set<PlanDraft>();

    public DbSet<ClassShownRecord> ClassShown => Set<ClassShownRecord>();

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.HasPostgresExtension("pg_trgm");
        WithAccounts(builder);
        WithDances(builder);
        WithGroups(builder);
        WithLessons(builder);
    }

    /// <summary>Accounts, where they are signed in, and what happened with them.</summary>
    private static void WithAccounts(ModelBuilder builder)
    {
        builder.Entity<Instructor>(account => account.Property(a => a.TimeZone)
            .HasMaxLength(InstructorClock.LongestZone)
            .HasDefaultValue(""));
        builder.Entity<SessionRecord>(session =>
        {
            session.Property(s => s.From).HasMaxLength(SessionRecord.LongestFrom);
            session.Property(s => s.Browser).HasMaxLength(SessionRecord.LongestBrowser);
            session.HasIndex(s => new { s.AccountId, s.Began });
            session.HasOne<Instructor>().WithMany().HasForeignKey(s => s.AccountId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<AccountEvent>(told =>
        {
            // Not tied to the account: that one was deleted outlives it.
            told.Property(e => e.Kind).HasMaxLength(AccountEvent.LongestKind);
            told.Property(e => e.From).HasMaxLength(AccountEvent.LongestFrom);
            told.HasIndex(e => new { e.AccountId, e.Id });
        });
    }

    /// <summary>Dances with their revisions, own words, tracks and fits.</summary>
    private static void WithDances(ModelBuilder builder)
    {
        builder.Entity<DanceRecord>(dance =>
        {
            dance.Property(d => d.Title).HasMaxLength(200);
            dance.Property(d => d.State).HasConversion<string>().HasMaxLength(16);
            dance.Property(d => d.Version).IsConcurrencyToken();
            dance.ComplexProperty(d => d.Fit, fit => Kept(fit.Property(f => f.Kept)));
            dance.Property(d => d.Level).HasMaxLength(60);
            dance.Property(d => d.Genre).HasMaxLength(20);
            dance.Property(d => d.Lines).HasDefaultValue("");
            dance.HasIndex(d => new { d.OwnerId, d.DeletedAt, d.Title });
            dance.HasIndex(d => d.OwnerId, "IX_Dances_Stale").HasFilter("\"IsStale\"");
            // Parts of words are found anywhere in them.
            dance.HasIndex(d => d.Finds, "IX_Dances_Finds_Trigrams").HasMethod("gin").HasOperators("gin_trgm_ops");
            dance.HasOne<Instructor>().WithMany().HasForeignKey(d => d.OwnerId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<DanceRevision>(revision =>
        {
            revision.HasIndex(r => new { r.DanceId, r.Version }).IsUnique();
            revision.HasOne<DanceRecord>().WithMany().HasForeignKey(r => r.DanceId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<WordsRecord>(words =>
        {
            words.HasKey(w => w.OwnerId);
            words.Property(w => w.Version).IsConcurrencyToken();
            words.HasOne<Instructor>().WithOne().HasForeignKey<WordsRecord>(w => w.OwnerId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<TrackRecord>(track =>
        {
            track.Property(t => t.Title).HasMaxLength(200);
            track.HasIndex(t => new { t.OwnerId, t.Title });
            track.HasOne<Instructor>().WithMany().HasForeignKey(t => t.OwnerId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<KeptFit>(fit =>
        {
            fit.HasKey(f => new { f.DanceId, f.TrackId });
            Kept(fit.Property(f => f.Kept));
            fit.HasOne<DanceRecord>().WithMany().HasForeignKey(f => f.DanceId).OnDelete(DeleteBehavior.Cascade);
            fit.HasOne<TrackRecord>().WithMany().HasForeignKey(f => f.TrackId).OnDelete(DeleteBehavior.Cascade);
        });
    }

    /// <summary>Groups, what they are told otherwise, and their courses.</summary>
    private static void WithGroups(ModelBuilder builder)
    {
        builder.Entity<GroupRecord>(group =>
        {
            group.Property(g => g.Name).HasMaxLength(GroupRecord.LongestName);
            group.Property(g => g.Meets).HasMaxLength(GroupRecord.LongestMeets);
            group.Property(g => g.Level).HasMaxLength(20).HasDefaultValue("beginner");
            group.Property(g => g.Knows).HasMaxLength(GroupRecord.LongestSteps);
            group.Property(g => g.Seen).HasMaxLength(GroupRecord.LongestSteps);
            Kept(group.Property(g => g.Habits));
            group.Property(g => g.Gentle).HasMaxLength(GroupRecord.LongestGentle).HasDefaultValue("");
            group.Property(g => g.Room).HasMaxLength(GroupRecord.LongestRoom).HasDefaultValue("");
            group.Property(g => g.WalkFactor).HasDefaultValue(1.0);
            group.Property(g => g.TalkFactor).HasDefaultValue(1.0);
            group.Property(g => g.GatherFactor).HasDefaultValue(1.0);
            group.Property(g => g.HeldFast).HasMaxLength(40).HasDefaultValue("");
            group.HasIndex(g => g.OwnerId);
            group.HasOne<Instructor>().WithMany().HasForeignKey(g => g.OwnerId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<ClassCuesRecord>(cues =>
        {
            cues.HasKey(c => new { c.GroupId, c.DanceId });
            Kept(cues.Property(c => c.Told));
            cues.HasOne<GroupRecord>().WithMany().HasForeignKey(c => c.GroupId).OnDelete(DeleteBehavior.Cascade);
            cues.HasOne<DanceRecord>().WithMany().HasForeignKey(c => c.DanceId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<CourseRecord>(course =>
        {
            course.Property(c => c.Name).HasMaxLength(CourseRecord.LongestName);
            Kept(course.Property(c => c.Way));
            Kept(course.Property(c => c.Settled));
            course.HasIndex(c => new { c.OwnerId, c.First });
            course.HasOne(c => c.Group).WithMany().HasForeignKey(c => c.GroupId).OnDelete(DeleteBehavior.Cascade);
            course.HasOne<Instructor>().WithMany().HasForeignKey(c => c.OwnerId).OnDelete(DeleteBehavior.Cascade);
        });
    }

    /// <summary>Lessons planned and held, with what boards tell of them.</summary>
    private static void WithLessons(ModelBuilder builder)
    {
        builder.Entity<LessonEventRecord>(told =>
        {
            told.HasKey(e => new { e.LessonId, e.Id });
            told.Property(e => e.Arrived).UseIdentityAlwaysColumn();
            told.Property(e => e.Kind).HasMaxLength(20);
            told.Property(e => e.Block).HasMaxLength(LessonEventRecord.LongestBlock);
            told.Property(e => e.Bite).HasMaxLength(LessonEventRecord.LongestBite);
            told.Property(e => e.Words).HasMaxLength(LessonEventRecord.LongestWords);
            told.HasIndex(e => new { e.LessonId, e.Arrived });
            told.HasOne<LessonRecord>().WithMany().HasForeignKey(e => e.LessonId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<PlanDraft>(draft =>
        {
            Kept(draft.Property(d => d.State));
            Kept(draft.Property(d => d.Past));
            Kept(draft.Property(d => d.Shown));
            draft.Property(d => d.Number).IsConcurrencyToken();
            draft.HasIndex(d => new { d.OwnerId, d.DanceId, d.LessonId, d.CourseId, d.Week }).IsUnique().AreNullsDistinct(false);
            draft.HasOne<DanceRecord>().WithMany().HasForeignKey(d => d.DanceId).OnDelete(DeleteBehavior.Cascade);
            draft.HasOne<LessonRecord>().WithMany().HasForeignKey(d => d.LessonId).OnDelete(DeleteBehavior.Cascade);
            draft.HasOne<CourseRecord>().WithMany().HasForeignKey(d => d.CourseId).OnDelete(DeleteBehavior.Cascade);
            draft.HasOne<Instructor>().WithMany().HasForeignKey(d => d.OwnerId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<ClassShownRecord>(shown =>
        {
            shown.HasKey(s => s.LessonId);
            shown.HasOne<LessonRecord>().WithMany().HasForeignKey(s => s.LessonId).OnDelete(DeleteBehavior.Cascade);
        });
        builder.Entity<LessonRecord>(lesson =>
        {
            lesson.Property(l => l.Also).HasDefaultValueSql("'{}'");
            lesson.HasIndex(l => l.Also).HasMethod("gin");
            lesson.HasOne<CourseRecord>().WithMany().HasForeignKey(l => l.CourseId).OnDelete(DeleteBehavior.SetNull);
            lesson.Property(l => l.Note).HasMaxLength(LessonRecord.LongestNote);
            Kept(lesson.Property(l => l.Asked));
            KeptIfAny(lesson.Property(l => l.Rest));
            lesson.OwnsMany(l => l.Further, f => f.ToJson());
            lesson.HasQueryFilter(l => l.DeletedAt == null);
            lesson.Property(l => l.ClassCode).HasMaxLength(12);
            lesson.HasIndex(l => l.ClassCode).IsUnique();
            lesson.HasIndex(l => new { l.OwnerId, l.Date });
            lesson.HasIndex(l => new { l.GroupId, l.Held, l.Date });
            lesson.HasIndex(l => l.OwnerId, "IX_Lessons_LogDue").HasFilter("\"IsLogDue\" or \"Times\" = ''");
            lesson.HasIndex(l => new { l.DanceId, l.Held, l.Date });
            lesson.HasIndex(l => new { l.OwnerId, l.Sent }).IsUnique();
            lesson.HasOne<DanceRecord>().WithMany().HasForeignKey(l => l.DanceId).OnDelete(DeleteBehavior.Cascade);
            lesson.HasOne(l => l.Group).WithMany().HasForeignKey(l => l.GroupId).OnDelete(DeleteBehavior.Cascade);
            lesson.HasOne<Instructor>().WithMany().HasForeignKey(l => l.OwnerId).OnDelete(DeleteBehavior.Cascade);
        });
    }

    /// <summary>A value that is kept whole, as <see cref="KeptJson"/> writes it.</summary>
    private static void KeptIfAny<T>(PropertyBuilder<T?> property)
        where T : class =>
        property.HasConversion((ValueConverter)AsKept<T>.Conversion, AsKept<T>.Comparison).HasColumnType("jsonb");

    private static void Kept<T>(PropertyBuilder<T> property)
        where T : class => property.HasConversion(AsKept<T>.Conversion, AsKept<T>.Comparison).HasColumnType("jsonb");

    private static void Kept<T>(ComplexTypePropertyBuilder<T> property)
        where T : class => property.HasConversion(AsKept<T>.Conversion, AsKept<T>.Comparison).HasColumnType("jsonb");

    private static class AsKept<T>
        where T : class
    {
        public static readonly ValueConverter<T, string> Conversion = new(value => KeptJson.Write(value), kept => KeptJson.Read<T>(kept));

        /// <summary>Two that are written alike are the same.</summary>
        public static readonly ValueComparer<T> Comparison = new(
            (one, other) => ReferenceEquals(one, other) || (one != null && other != null && KeptJson.Write(one) == KeptJson.Write(other)),
            value => KeptJson.Write(value).GetHashCode(StringComparison.Ordinal),
            value => value);
    }
}
