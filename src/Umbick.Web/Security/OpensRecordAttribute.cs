namespace Umbick.Web.Security;

/// <summary>A page that shows a child's record: that it was opened is kept. Its address names the child as <c>id</c>.</summary>
[AttributeUsage(AttributeTargets.Class)]
public sealed class OpensRecordAttribute : Attribute;
