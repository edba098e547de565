import preset from 'postcss-preset-mantine';

export default { plugins: [preset()] };
