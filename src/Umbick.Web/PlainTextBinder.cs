using Microsoft.AspNetCore.Mvc.ModelBinding;
using Umbick.Core.Clocks;

namespace Umbick.Web;

/// <summary>Texts as they can be kept: PostgreSQL holds no U+0000 and no halves of a pair, and no page should fail for one.</summary>
public sealed class PlainTextBinder : IModelBinder, IModelBinderProvider
{
    public Task BindModelAsync(ModelBindingContext bindingContext)
    {
        var value = bindingContext.ValueProvider.GetValue(bindingContext.ModelName);
        if (value == ValueProviderResult.None) return Task.CompletedTask;
        bindingContext.ModelState.SetModelValue(bindingContext.ModelName, value);
        bindingContext.Result = ModelBindingResult.Success(value.FirstValue is { } text ? GivenText.Kept(text) : null);
        return Task.CompletedTask;
    }

    public IModelBinder? GetBinder(ModelBinderProviderContext context) => context.Metadata.ModelType == typeof(string) ? this : null;
}
