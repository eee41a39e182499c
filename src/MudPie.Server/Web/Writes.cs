using System.Collections.Concurrent;
using System.Diagnostics;
using System.Diagnostics.CodeAnalysis;
using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using MudPie.Core.Workings;
using MudPie.Records;

namespace MudPie.Server.Web;

/// <summary>One write, one transaction, done once: a request sent again with the same Idempotency-Key is answered again and not done
/// again.</summary>
/// <remarks>
/// What has to be computed is computed while nobody waits: the transaction begins as one that only reads, and takes its turn at writing
/// with its first change.
/// What is known to be soon done waits for its turn first where somebody is writing.
/// Where another write came between, SQLite says so at that moment, and the work is done again from what stands then. What is soon done is
/// then done within its turn; what takes long a few times more without, and only then within, so that it is done at all.
/// </remarks>
public sealed class Writes(IHttpContextAccessor accessor, HoldingDb db, TimeProvider clock, IMemoryCache cache, WriteTurns turns,
    Whoever who, LiveFeed feed)
{
    /// <summary>Name of the header.</summary>
    public const string Header = "Idempotency-Key";

    /// <summary>Name of the header that says for which holding a write is meant: the same address may serve another one by the time it is
    /// sent.</summary>
    public const string MeantFor = "Mudpie-Holding";

    /// <summary>How long a key is remembered: longer than any phone keeps a write that waits.</summary>
    public static readonly TimeSpan KeptFor = TimeSpan.FromDays(90);

    private const int MostTries = 4;
    private const int StaleSnapshot = 517; // SQLITE_BUSY_SNAPSHOT
    private static readonly TimeSpan SoonDone = TimeSpan.FromMilliseconds(25);

    /// <summary>Doors, and whether what is behind them was soon done the last time.</summary>
    private static readonly ConcurrentDictionary<string, bool> Soon = new(StringComparer.Ordinal);

    private IDisposable? _turn;

    /// <summary>Does the work and keeps its answer; a refusal or a failure keeps nothing.</summary>
    public async Task<Results<Written<T>, Refused, Clash>> Do<T>(Func<Task<Ruling<T>>> work)
    {
        var context = accessor.HttpContext!;
        var key = context.Request.Headers[Header].ToString();
        if (key.Length is < 8 or > 100)
        {
            return Problems.Of(Refusal.Of(Header, "This write carries no key.",
                $"Send a header {Header} of 8 to 100 characters, new for each write and the same for each retry."));
        }

        if (db.Database.GetConnectionString() is { } place && !File.Exists(new SqliteConnectionStringBuilder(place).DataSource))
        {
            // taken away while it was open: what is written now would be lost with it
            throw new HoldingFileException(FileTrouble.Unreachable);
        }

        var write = new Write(key, $"{context.Request.Method} {context.Request.Path}", SentBody.Of(context) ?? "",
            context.Request.Headers[MeantFor].ToString(), context.RequestAborted);
        db.BeforeWrite = async stop => _turn ??= await turns.Take(stop);
        var door = (context.GetEndpoint() as RouteEndpoint)?.RoutePattern.RawText ?? "";
        var within = turns.Busy && Soon.GetValueOrDefault(door); // what it would read now is stale when its turn comes
        for (var tried = 1; ; tried++)
        {
            var began = Stopwatch.GetTimestamp();
            try
            {
                if (within)
                {
                    await db.BeforeWrite(write.Stop);
                    began = Stopwatch.GetTimestamp();
                }

                var done = await Once(work, write, within);
                Soon[door] = Stopwatch.GetElapsedTime(began) < SoonDone;
                return done;
            }
            catch (Exception e) when (!within && Stale(e))
            {
                db.ChangeTracker.Clear();
                within = tried == MostTries - 1 || Stopwatch.GetElapsedTime(began) < SoonDone;
            }
            finally
            {
                _turn?.Dispose();
                _turn = null;
            }
        }
    }

    private sealed record Write(string Key, string Name, string Sent, string MeantFor, CancellationToken Stop);

    private async Task<Results<Written<T>, Refused, Clash>> Once<T>(Func<Task<Ruling<T>>> work, Write write, bool within)
    {
        await db.Database.OpenConnectionAsync(write.Stop);
        await using var held = ((SqliteConnection)db.Database.GetDbConnection()).BeginTransaction(deferred: !within);
        await using var transaction = (await db.Database.UseTransactionAsync(held, write.Stop))!;
        if (write.MeantFor.Length > 0 && await db.Holdings.OrderBy(h => h.Id).Select(h => (Guid?)h.Own)
            .FirstOrDefaultAsync(write.Stop) is { } own && own.ToString() != write.MeantFor)
        {
            return Another();
        }

        if (await db.Acknowledgements.FindAsync([write.Key], write.Stop) is { } before)
        {
            return before.Request == write.Name && before.Sent == write.Sent
                ? new Written<T>(before.Body)
                : new Clash(Problems.Details(Refusal.Of(Header, "This key was used for another write.",
                    "What came with it was not kept. Make a new key for a new write."), 409));
        }

        // Whoever writes between makes this snapshot stale, and the number is found anew.
        db.DeedNow = (await db.Deeds.MaxAsync(d => (int?)d.Id, write.Stop) ?? 0) + 1;
        var ruling = await work();
        if (ruling.Refused is { } refusal)
        {
            return Problems.Of(refusal);
        }

        await db.SaveChangesAsync(write.Stop);
        var body = JsonSerializer.Serialize(ruling.Value, Json.Options);
        var now = clock.GetUtcNow();
        db.Deeds.Add(new Deed { Id = db.DeedNow.Value, At = now, By = who.Name, Device = who.DeviceName, Request = write.Name });
        db.Acknowledgements.Add(new Acknowledged { Key = write.Key, Request = write.Name, Sent = write.Sent, Body = body, At = now });
        await db.SaveChangesAsync(write.Stop);
        await Prune(write.Stop);
        await held.CommitAsync(CancellationToken.None);
        WriteCount.Add(cache);
        feed.Tell(write.Name[(write.Name.IndexOf(' ', StringComparison.Ordinal) + 1)..], write.Key);
        return new Written<T>(body);
    }

    /// <summary>Once a day, with a write that is made anyway: keys so old that nobody sends them again are forgotten.</summary>
    private async Task Prune(CancellationToken stop)
    {
        if (cache.TryGetValue(nameof(Prune), out _))
        {
            return;
        }

        var oldest = clock.GetUtcNow() - KeptFor;
        await db.Acknowledgements.Where(a => a.At < oldest).ExecuteDeleteAsync(stop);
        cache.Set(nameof(Prune), true, new MemoryCacheEntryOptions { Size = 1, AbsoluteExpirationRelativeToNow = TimeSpan.FromDays(1) });
    }

    private static Clash Another()
    {
        var problem = Problems.Details(Refusal.Of("holding", "Another holding is served at this address now.",
            "Load the page again to see it. What waits here for the one before stays, and is sent when that one is back."), 409);
        problem.Extensions["trouble"] = "another holding";
        return new Clash(problem);
    }

    private static bool Stale(Exception e) => e is SqliteException { SqliteExtendedErrorCode: StaleSnapshot }
        || e is DbUpdateException { InnerException: SqliteException { SqliteExtendedErrorCode: StaleSnapshot } };

    /// <summary>What is said where there is no holding to write to yet.</summary>
    public static Refusal NoHolding { get; } = Refusal.Of("holding", "There is no holding yet.", "Set it up first: ten short answers.");

    /// <summary>Shorthand for a plain value.</summary>
    public static Ruling<T> Done<T>(T value) => Worked.Of(value, "", Evidence.MeasuredHere);
}

/// <summary>The one turn at writing: whoever writes waits here in the order of coming, and not by asking SQLite again and again.</summary>
[SuppressMessage("Design", "CA1001", Justification = "It holds nothing of the system's, and a request must not end what it is handed.")]
public sealed class WriteTurns
{
    private readonly SemaphoreSlim _one = new(1, 1);

    /// <summary>Somebody is writing.</summary>
    public bool Busy => _one.CurrentCount == 0;

    /// <summary>Waits for a turn; to be given back by disposing.</summary>
    public async Task<IDisposable> Take(CancellationToken stop)
    {
        await _one.WaitAsync(stop);
        return new Turn(_one);
    }

    private sealed class Turn(SemaphoreSlim one) : IDisposable
    {
        public void Dispose() => one.Release();
    }
}

/// <summary>A digest of a request's body as it goes by, for writes that carry a key.</summary>
public static class SentBody
{
    private const string Item = "mudpie-sent-body";

    /// <summary>Puts the digest between the wire and whoever reads.</summary>
    public static void Watch(HttpContext context)
    {
        if (context.Request.Headers.ContainsKey(Writes.Header))
        {
            var passing = new Passing(context.Request.Body);
            context.Request.Body = passing;
            context.Items[Item] = passing;
            context.Response.RegisterForDispose(passing);
        }
    }

    /// <summary>SHA-256 of what was read of the body, in hex; null where nothing watched.</summary>
    public static string? Of(HttpContext context) => (context.Items[Item] as Passing)?.Digest();

    private sealed class Passing(Stream inner) : Stream
    {
        private readonly IncrementalHash _hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);

        public string Digest() => Convert.ToHexStringLower(_hash.GetCurrentHash());

        public override bool CanRead => true;

        public override bool CanSeek => false;

        public override bool CanWrite => false;

        public override long Length => throw new NotSupportedException();

        public override long Position { get => throw new NotSupportedException(); set => throw new NotSupportedException(); }

        public override int Read(byte[] buffer, int offset, int count)
        {
            var read = inner.Read(buffer, offset, count);
            _hash.AppendData(buffer, offset, read);
            return read;
        }

        public override async ValueTask<int> ReadAsync(Memory<byte> buffer, CancellationToken cancellationToken = default)
        {
            var read = await inner.ReadAsync(buffer, cancellationToken);
            _hash.AppendData(buffer.Span[..read]);
            return read;
        }

        public override Task<int> ReadAsync(byte[] buffer, int offset, int count, CancellationToken cancellationToken) =>
            ReadAsync(buffer.AsMemory(offset, count), cancellationToken).AsTask();

        public override void Flush()
        {
        }

        public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

        public override void SetLength(long value) => throw new NotSupportedException();

        public override void Write(byte[] buffer, int offset, int count) => throw new NotSupportedException();

        protected override void Dispose(bool disposing)
        {
            _hash.Dispose();
            base.Dispose(disposing);
        }
    }
}

/// <summary>The number of what was kept.</summary>
public sealed record Kept(int Id);

/// <summary>The number of what was changed, and its version since: what a way back has to name.</summary>
public sealed record Changed(int Id, Guid Version);
