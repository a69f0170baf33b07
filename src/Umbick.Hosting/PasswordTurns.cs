namespace Umbick.Hosting;

/// <summary>
/// Few passwords are hashed at once: hashing one takes a processor for a tenth of a second, and the signed-in person must not wait for
/// strangers. Strangers are heard one after the other; whoever comes from the school waits for one of them at most.
/// </summary>
public sealed class PasswordTurns : IDisposable
{
    private const int MostStrangersWaiting = 8;
    private const int MostWaiting = 40;

    private readonly SemaphoreSlim _hashing = new(Math.Max(1, Environment.ProcessorCount / 2));
    private readonly SemaphoreSlim _strangers = new(1);
    private int _strangersWaiting;
    private int _waiting;

    /// <summary>Waits for a turn.</summary>
    /// <param name="atHome">Whether it is for somebody at the school.</param>
    /// <param name="cancel">Ends the waiting.</param>
    /// <returns>The turn, to be given back; null where too many wait already.</returns>
    public async Task<IDisposable?> Wait(bool atHome, CancellationToken cancel)
    {
        if (atHome) return await Enter(_hashing, cancel) ? new Turn([_hashing]) : null;
        try
        {
            if (Interlocked.Increment(ref _strangersWaiting) > MostStrangersWaiting) return null;
            await _strangers.WaitAsync(cancel);
        }
        finally
        {
            Interlocked.Decrement(ref _strangersWaiting);
        }
        var entered = false;
        try
        {
            entered = await Enter(_hashing, cancel);
            return entered ? new Turn([_hashing, _strangers]) : null;
        }
        finally
        {
            // Also where the one who waited has gone: those behind must not wait for ever.
            if (!entered) _strangers.Release();
        }
    }

    public void Dispose()
    {
        _hashing.Dispose();
        _strangers.Dispose();
    }

    private async Task<bool> Enter(SemaphoreSlim door, CancellationToken cancel)
    {
        try
        {
            if (Interlocked.Increment(ref _waiting) > MostWaiting) return false;
            await door.WaitAsync(cancel);
            return true;
        }
        finally
        {
            Interlocked.Decrement(ref _waiting);
        }
    }

    private sealed class Turn(SemaphoreSlim[] doors) : IDisposable
    {
        private SemaphoreSlim[]? _held = doors;

        public void Dispose()
        {
            foreach (var door in Interlocked.Exchange(ref _held, null) ?? []) door.Release();
        }
    }
}
