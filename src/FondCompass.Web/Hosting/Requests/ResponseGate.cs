namespace FondCompass.Web.Hosting.Requests;

/// <summary>
/// The body of an answer that two may want to write: whoever does the work, and whoever tells that it hangs. The first of them has it; what
/// the other writes goes nowhere.
/// </summary>
internal sealed class ResponseGate(Stream body) : Stream
{
    private const int Open = 0, OfTheWork = 1, Shut = 2;

    private int _state = Open;

    /// <summary>Takes the answer away from the work; false where the work has begun to write it.</summary>
    public bool TryShut() => Interlocked.CompareExchange(ref _state, Shut, Open) == Open;

    /// <summary>Gives it back to a work that has ended meanwhile without a body.</summary>
    public void Reopen() => Interlocked.CompareExchange(ref _state, Open, Shut);

    public override bool CanRead => false;

    public override bool CanSeek => false;

    public override bool CanWrite => true;

    public override long Length => body.Length;

    public override long Position
    {
        get => body.Position;
        set => body.Position = value;
    }

    public override void Write(byte[] buffer, int offset, int count)
    {
        if (IsOurs())
        {
            body.Write(buffer, offset, count);
        }
    }

    public override ValueTask WriteAsync(ReadOnlyMemory<byte> buffer, CancellationToken cancellationToken = default) =>
        IsOurs() ? body.WriteAsync(buffer, cancellationToken) : ValueTask.CompletedTask;

    public override Task WriteAsync(byte[] buffer, int offset, int count, CancellationToken cancellationToken) =>
        WriteAsync(buffer.AsMemory(offset, count), cancellationToken).AsTask();

    public override void Flush()
    {
        if (IsOurs())
        {
            body.Flush();
        }
    }

    public override Task FlushAsync(CancellationToken cancellationToken) =>
        IsOurs() ? body.FlushAsync(cancellationToken) : Task.CompletedTask;

    public override int Read(byte[] buffer, int offset, int count) => throw new NotSupportedException();

    public override long Seek(long offset, SeekOrigin origin) => throw new NotSupportedException();

    public override void SetLength(long value) => throw new NotSupportedException();

    /// <summary>Whether what the work writes is sent: from its first word on the answer is its own.</summary>
    private bool IsOurs() => Volatile.Read(ref _state) == OfTheWork || Interlocked.CompareExchange(ref _state, OfTheWork, Open) != Shut;
}
