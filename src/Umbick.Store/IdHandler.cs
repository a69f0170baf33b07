using System.Data;
using Dapper;

namespace Umbick.Store;

/// <summary>Lets Dapper read and write ids of one kind, singly and as the arrays that <c>any(@ids)</c> takes.</summary>
internal sealed class IdHandler<TId> : SqlMapper.TypeHandler<TId> where TId : struct, IId<TId>
{
    /// <summary>Makes the kind known.</summary>
    public static void Register()
    {
        SqlMapper.AddTypeHandler(new IdHandler<TId>());
        SqlMapper.AddTypeHandler(new Arrays());
    }

    public override void SetValue(IDbDataParameter parameter, TId value) => parameter.Value = value.Value;

    public override TId Parse(object value) => TId.Of((Guid)value);

    private sealed class Arrays : SqlMapper.TypeHandler<TId[]>
    {
        public override void SetValue(IDbDataParameter parameter, TId[]? value) => parameter.Value =
            value?.Select(id => id.Value).ToArray();

        public override TId[] Parse(object value) => [.. ((Guid[])value).Select(TId.Of)];
    }
}
