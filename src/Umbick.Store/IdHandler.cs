using System.Data;
using Dapper;
using Umbick.Core.Ids;

namespace Umbick.Store;

/// <summary>Lets Dapper read and write ids of one kind, singly and as the arrays that <c>any(@ids)</c> takes.</summary>
internal sealed class IdHandler<TKind> : SqlMapper.TypeHandler<Id<TKind>>
{
    /// <summary>Makes the kind known.</summary>
    public static void Register()
    {
        SqlMapper.AddTypeHandler(new IdHandler<TKind>());
        SqlMapper.AddTypeHandler(new Arrays());
    }

    public override void SetValue(IDbDataParameter parameter, Id<TKind> value) => parameter.Value = value.Value;

    public override Id<TKind> Parse(object value) => new((Guid)value);

    private sealed class Arrays : SqlMapper.TypeHandler<Id<TKind>[]>
    {
        public override void SetValue(IDbDataParameter parameter, Id<TKind>[]? value) => parameter.Value =
            value?.Select(id => id.Value).ToArray();

        public override Id<TKind>[] Parse(object value) => [.. ((Guid[])value).Select(id => new Id<TKind>(id))];
    }
}
