package palmtally.browser.build;

import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.teavm.model.BasicBlock;
import org.teavm.model.ClassHolder;
import org.teavm.model.ClassHolderTransformer;
import org.teavm.model.ClassHolderTransformerContext;
import org.teavm.model.Instruction;
import org.teavm.model.Program;
import org.teavm.model.Variable;
import org.teavm.model.instructions.BinaryInstruction;
import org.teavm.model.instructions.BinaryOperation;
import org.teavm.model.instructions.DoubleConstantInstruction;
import org.teavm.model.instructions.FloatConstantInstruction;
import org.teavm.model.instructions.GetElementInstruction;
import org.teavm.model.instructions.GetFieldInstruction;
import org.teavm.model.instructions.NegateInstruction;
import org.teavm.model.instructions.NumericOperandType;
import org.teavm.vm.spi.TeaVMHost;
import org.teavm.vm.spi.TeaVMPlugin;

/**
 * Keeps sums and products of floating point as they are bracketed. The compiler writes {@code a + (b - c)} as {@code a + b - c} and
 * {@code a * (b / c)} as {@code a * b / c}, as if they were the same; in the last bit they are not. A sum whose right side may be such an
 * expression is written as the difference of its negative, a product as that of two negatives: by IEEE 754 both are equal to the bit, and
 * their right side keeps its brackets. Where only the right side may be one, the two change places, which costs nothing.
 */
public final class ExactArithmetic implements TeaVMPlugin, ClassHolderTransformer {
    @Override
    public void install(TeaVMHost host) {
        host.add(this);
    }

    @Override
    public void transformClass(ClassHolder type, ClassHolderTransformerContext context) {
        for (var method : type.getMethods()) {
            var program = method.getProgram();
            if (program != null) exact(program);
        }
    }

    private static void exact(Program program) {
        var simple = simple(program);
        for (var block : program.getBasicBlocks())
            for (Instruction i = block.getFirstInstruction(), next; i != null; i = next) {
                next = i.getNext();
                if (i instanceof BinaryInstruction b && floating(b) && !simple.containsKey(b.getSecondOperand()))
                    exact(program, b, simple.containsKey(b.getFirstOperand()));
            }
    }

    private static boolean floating(BinaryInstruction b) {
        return (b.getOperandType() == NumericOperandType.DOUBLE || b.getOperandType() == NumericOperandType.FLOAT)
                && (b.getOperation() == BinaryOperation.ADD || b.getOperation() == BinaryOperation.MULTIPLY);
    }

    /** What is a constant or read from somewhere is never an expression, also after methods were put into one another. */
    private static Map<Variable, Boolean> simple(Program program) {
        var simple = new HashMap<Variable, Boolean>();
        for (BasicBlock block : program.getBasicBlocks())
            for (Instruction i = block.getFirstInstruction(); i != null; i = i.getNext()) {
                var read = read(i);
                if (read != null) simple.put(read, true);
            }
        return simple;
    }

    private static @Nullable Variable read(Instruction i) {
        if (i instanceof DoubleConstantInstruction c) return c.getReceiver();
        if (i instanceof FloatConstantInstruction c) return c.getReceiver();
        if (i instanceof GetFieldInstruction f) return f.getReceiver();
        if (i instanceof GetElementInstruction e) return e.getReceiver();
        return null;
    }

    private static void exact(Program program, BinaryInstruction b, boolean mayChangePlaces) {
        var left = b.getFirstOperand();
        var right = b.getSecondOperand();
        if (mayChangePlaces) {
            b.setFirstOperand(right);
            b.setSecondOperand(left);
        } else if (b.getOperation() == BinaryOperation.ADD) {
            var difference = new BinaryInstruction(BinaryOperation.SUBTRACT, b.getOperandType());
            difference.setFirstOperand(left);
            difference.setSecondOperand(negative(program, b, right));
            difference.setReceiver(b.getReceiver());
            difference.setLocation(b.getLocation());
            b.replace(difference);
        } else {
            b.setFirstOperand(negative(program, b, left));
            b.setSecondOperand(negative(program, b, right));
        }
    }

    private static Variable negative(Program program, BinaryInstruction before, Variable of) {
        var negated = new NegateInstruction(before.getOperandType());
        negated.setOperand(of);
        negated.setReceiver(program.createVariable());
        negated.setLocation(before.getLocation());
        before.insertPrevious(negated);
        return negated.getReceiver();
    }
}
