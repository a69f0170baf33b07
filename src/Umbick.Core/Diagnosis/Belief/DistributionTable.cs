namespace Umbick.Core.Diagnosis;

/// <summary>Distributions that were come to, each kept once.</summary>
internal sealed class DistributionTable
{
    private readonly List<Distribution> _all = [];
    private readonly Dictionary<int, List<int>> _byHash = [];
    private int[] _ids = new int[8];
    private double[] _shares = new double[8];
    private int _count;

    /// <summary>The distributions.</summary>
    public IReadOnlyList<Distribution> All => _all;

    /// <summary>A single distribution.</summary>
    public static Distribution Made(IEnumerable<(int Id, double Share)> outcomes)
    {
        var table = new DistributionTable();
        foreach (var (id, share) in outcomes) table.Add(id, share);
        return table._all[table.PlaceOf()];
    }

    /// <summary>Begins the next one.</summary>
    public void Begin() => _count = 0;

    /// <summary>Adds an answer to it.</summary>
    public void Add(int id, double share)
    {
        var at = 0;
        while (at < _count && _ids[at] < id) at++;
        if (at < _count && _ids[at] == id)
        {
            _shares[at] += share;
            return;
        }
        if (_count == _ids.Length)
        {
            Array.Resize(ref _ids, 2 * _count);
            Array.Resize(ref _shares, 2 * _count);
        }
        Array.Copy(_ids, at, _ids, at + 1, _count - at);
        Array.Copy(_shares, at, _shares, at + 1, _count - at);
        (_ids[at], _shares[at]) = (id, share);
        _count++;
    }

    /// <summary>The place of what was added since <see cref="Begin"/> among <see cref="All"/>.</summary>
    public int PlaceOf()
    {
        var hash = _count;
        for (var i = 0; i < _count; i++) hash = (hash * 31) + _ids[i];
        if (!_byHash.TryGetValue(hash, out var places)) _byHash[hash] = places = [];
        foreach (var place in places)
        {
            if (IsSame(_all[place])) return place;
        }
        var likeliest = 0;
        for (var i = 1; i < _count; i++)
        {
            if (_shares[i] > _shares[likeliest]) likeliest = i;
        }
        places.Add(_all.Count);
        _all.Add(new Distribution(_ids[.._count], _shares[.._count], _ids[likeliest]));
        return _all.Count - 1;
    }

    private bool IsSame(Distribution other)
    {
        if (!other.Ids.AsSpan().SequenceEqual(_ids.AsSpan(0, _count))) return false;
        for (var i = 0; i < _count; i++)
        {
            if (Math.Abs(other.Shares[i] - _shares[i]) > 1e-9) return false;
        }
        return true;
    }
}
